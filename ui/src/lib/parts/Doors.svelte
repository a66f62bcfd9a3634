<script lang="ts">
  // What lies behind the class's name; its people are its lead's affair.
  import { link } from 'svelte-spa-router';
  import { shared, view } from '../state.svelte';

  let { at }: { at: 'settings' | 'people' | 'access' } = $props();

  const doors = $derived([
    ['settings', 'Settings'],
    ...(shared.desk?.class.role === 'lead' ? [['people', 'People']] : []),
    ['access', 'Your access'],
  ]);
</script>

<ul>
  {#each doors as [id, name] (id)}
    <li><a href={view(id!)} use:link aria-current={id === at ? 'page' : undefined}>{name}</a></li>
  {/each}
</ul>

<style>
  ul {
    margin: 12px -8px;
  }
  a {
    display: flex;
    align-items: center;
    min-height: 44px;
    padding-left: 12px;
    border-left: 4px solid var(--none);
    text-decoration: none;
  }
  a[aria-current] {
    border-left-color: var(--leaf);
    font-weight: 650;
  }
</style>

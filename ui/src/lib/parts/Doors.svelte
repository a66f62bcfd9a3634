<script lang="ts">
  // What lies behind the class's name, for its lead.
  import { link } from 'svelte-spa-router';
  import { view } from '../state.svelte';

  let { at }: { at: 'settings' | 'people' } = $props();
</script>

<ul>
  {#each [['settings', 'Settings'], ['people', 'People']] as [id, name] (id)}
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

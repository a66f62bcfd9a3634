<script lang="ts">
  // Who comes to the first lesson; names can follow later.
  import { link } from 'svelte-spa-router';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import { view } from '../../lib/state.svelte';
  import type { FirstDay } from './first.svelte';

  let { first }: { first: FirstDay } = $props();
</script>

<h1>Who comes to the mat</h1>
<p class="small">
  First name and initial. Or leave it empty: they are called First, Second and Third until you name
  them.
</p>
{#each first.names.keys() as i (i)}
  <label>
    <span class="kid">{i + 1}</span>
    <input
      class="kid"
      aria-label="Child {i + 1}"
      autocomplete="off"
      readonly={first.added}
      bind:value={first.names[i]}
    />
  </label>
{/each}
{#if first.trouble?.field === 'name'}<Wrong trouble={first.trouble} />{/if}
<p class="acts">
  {#if first.more && !first.added}
    <button class="act" onclick={() => first.names.push('')}>One more</button>
  {/if}
  <a class="act" href={view('people')} use:link>Add a class list</a>
</p>
<p class="small">
  Your words for things, and the colours of your own set, can be set afterwards:
  <a class="act" href={view('settings')} use:link>Settings</a>
</p>

<style>
  label {
    display: grid;
    grid-template-columns: 28px 1fr;
    align-items: center;
    gap: 10px;
    margin-top: 8px;
  }
  label span {
    display: grid;
    place-items: center;
    width: 28px;
    height: 28px;
    border: 2px solid var(--leaf);
    border-radius: 50%;
    font-weight: 700;
  }
  input {
    min-width: 0;
    min-height: 48px;
    padding: 0 12px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
    font-size: 18px;
  }
  .acts {
    display: flex;
    justify-content: space-between;
    gap: 12px;
    margin-bottom: 8px;
  }
</style>

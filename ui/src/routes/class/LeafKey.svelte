<script lang="ts">
  // What the shapes say, at the foot of the mat.
  import Leaf from '../../lib/pieces/Leaf.svelte';
  import Sign from '../../lib/pieces/Sign.svelte';
  import type { Named } from '../../lib/wire.gen';

  let { states }: { states: Named[] } = $props();
</script>

<ul aria-label="What the leaves say">
  {#each states.filter((s) => s.id !== '') as s (s.id)}
    <li>
      <Sign state={s.id} />
      {s.name}
    </li>
  {/each}
  <li>
    <svg width="24" height="30" viewBox="-12 -18 24 30" aria-hidden="true">
      <path d="M-13 0H13" class="wire" />
      <Leaf state="secure" lobes={['secure', 'secure', 'secure']} explained r={11} />
    </svg>
    has explained it
  </li>
</ul>

<style>
  ul {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 0 6px;
    padding-top: 4px;
    border-top: 1px solid var(--line);
    font-size: var(--t1);
    color: var(--ink-2);
  }
  li {
    display: flex;
    align-items: center;
    gap: 2px;
    white-space: nowrap;
  }
  .wire {
    stroke: var(--line);
  }
</style>

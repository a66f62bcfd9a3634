<script lang="ts">
  // Who waits: bare stem since the last leaf.
  import { link } from 'svelte-spa-router';
  import { view } from '../../lib/state.svelte';
  import type { Waited } from '../../lib/wire.gen';

  let { waited }: { waited: Waited[] } = $props();

  const W = 176;
  const most = $derived(Math.max(10, ...waited.map((c) => c.days)));
  const x = (days: number): number => 8 + (days / most) * (W - 12);
</script>

<ul>
  {#each waited as c (c.id)}
    <li>
      <a href={view(`learner/${c.id}`)} use:link>
        <span class="who"><b class="private">{c.name}</b><span class="small">{c.says}</span></span>
        <svg width={W} height="16" aria-hidden="true">
          {#if !c.never}<use href="#leaf" transform="translate(3 9) rotate(-30) scale(.5)" />{/if}
          <path d="M8 9H{x(c.never ? most : c.days)}" class:never={c.never} />
          {#each Array.from({ length: c.never ? 0 : c.days }, (_, i) => i + 1) as d (d)}
            <path d="M{x(d)} {d % 7 ? 7 : 4}V{d % 7 ? 11 : 14}" />
          {/each}
        </svg>
      </a>
    </li>
  {/each}
</ul>

<style>
  a {
    display: block;
    min-height: 44px;
    padding: 2px 0;
    text-decoration: none;
  }
  a:hover b {
    color: var(--leaf);
  }
  .who {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
  }
  b {
    font-weight: 600;
  }
  path {
    stroke: var(--leaf);
    stroke-width: 1.6;
  }
  .never {
    stroke-dasharray: 2 4;
  }
</style>

<script lang="ts">
  // A number on the bead rack, pushed row by row or seen; below it the ways of seeing it,
  // the easiest first. A touch on a way rings what it takes in at each look.
  import { getContext } from 'svelte';
  import Rack from '../../../lib/ones/Rack.svelte';
  import { tallOf, WIDE } from '../../../lib/ones/rack';
  import type { One, Step } from '../../../lib/wire.gen';
  import { opposite } from './opposite.svelte';

  let {
    one,
    steps,
    index,
    w,
    h,
  }: { one: One; steps: Step[]; index: number; material: string; w: number; h: number } = $props();

  /** Shown for a moment, or to be explained: the pushed beads alone, as large as there is room. */
  const bare = getContext<(() => boolean) | undefined>('bare');
  const large = getContext<(() => boolean) | undefined>('large');
  const rack = $derived(one.rack!);
  const step = $derived(steps[index]!);
  const pushed = $derived(rack.rows.map((_, r) => step.zones[`rack-${r + 1}`]?.counter ?? 0));
  const so = $derived(pushed.reduce((a, b) => a + b, 0));
  /** The ways are told once all is pushed and looked at. */
  const told = $derived(
    so === one.number && ['answer', 'parts', 'write-tens', 'write-ones'].includes(step.kind),
  );
  const MOST = 4; // ways side by side
  const ways = $derived(rack.ways.slice(0, w < 560 ? 2 : MOST));
  let chosen = $state('');
  const way = $derived(ways.find((x) => x.id === chosen) ?? ways[0]);
  const WAYS = 132;
  /** For the last row of a class the name of the easiest way alone stands below. */
  const named = $derived(!!large?.() && !bare?.() && ways.length > 0);
  const room = $derived(named ? h * 0.12 : ways.length && h > 320 && !bare?.() ? WAYS : 0);
  const tall = $derived(tallOf(rack.rows.length));
  const width = $derived(Math.min(w, ((h - room - 12) * WIDE) / tall));
  const small = $derived(Math.min(170, (w - 3 * 12) / ways.length - 16, (80 * WIDE) / tall));
  const row = $derived(step.kind === 'row' || step.kind === 'push-row' ? (step.ten ?? 0) - 1 : -1);
</script>

<div class="all" data-one="rack" style:height="{h}px">
  <div class="rack">
    <Rack
      {pushed}
      {width}
      rest={!bare?.()}
      {row}
      right={rack.right}
      turned={opposite.turned}
      looks={told && way ? way.looks : []}
      missing={told && way?.id === 'from-hundred'}
    />
  </div>
  {#if named}
    <p class="named kid" class:hidden={!told} style:font-size="{h * 0.08}px">{way?.name}</p>
  {:else if room}
    <div class="ways" class:hidden={!told} role="radiogroup" aria-label="Ways of seeing it">
      {#each ways as x (x.id)}
        <button
          role="radio"
          aria-checked={told && x.id === way?.id}
          disabled={!told}
          onclick={() => (chosen = x.id)}
        >
          {#if told}
            <Rack
              pushed={rack.rows}
              width={small}
              right={rack.right}
              looks={x.looks}
              missing={x.id === 'from-hundred'}
            />
            <b>{x.name}</b> <span class="small">{x.says}</span>
          {/if}
        </button>
      {/each}
    </div>
  {/if}
</div>

<style>
  .all {
    display: flex;
    flex-direction: column;
    justify-content: center;
    gap: 12px;
    width: 100%;
  }
  .rack {
    display: grid;
    justify-items: center;
  }
  .ways {
    display: flex;
    justify-content: center;
    gap: 12px;
    height: 132px;
  }
  .named {
    line-height: 1.2;
    text-align: center;
    color: var(--leaf);
  }
  .named.hidden,
  .ways.hidden {
    visibility: hidden;
  }
  .ways button {
    display: grid;
    grid-template: 1fr auto auto / auto;
    justify-items: center;
    align-items: end;
    min-width: 120px;
    padding: 4px 8px;
    border: 1.5px solid var(--line);
    border-radius: var(--r2);
    line-height: 1.25;
  }
  .ways button[aria-checked='true'] {
    border-color: var(--leaf);
    background: var(--leaf-tint);
  }
</style>

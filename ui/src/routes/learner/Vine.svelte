<script lang="ts">
  // One child's vine: a branch for each strand, its stages from the root up.
  import Leaf from '../../lib/pieces/Leaf.svelte';
  import type { Branch } from '../../lib/wire.gen';

  let {
    strands,
    stage,
    w,
    h: room,
    onpick,
  }: {
    strands: Branch[];
    stage: string;
    w: number;
    h: number; // px that there are; a higher vine scrolls
    onpick: (stage: string) => void;
  } = $props();

  const LEAST = 44; // px that a finger needs
  const ROOT = 88; // px for the root and the names of the strands
  const OVER = 0.72; // of a step, how far a stage's name reaches above its leaf
  const most = $derived(Math.max(...strands.map((s) => s.stages.length)));
  const pitch = $derived(Math.max(w / Math.max(2, strands.length), 168));
  const wide = $derived(pitch * strands.length);
  const h = $derived(Math.max(room, ROOT + LEAST * (most - 1 + OVER)));
  const step = $derived(Math.min(56, (h - ROOT) / (most - 1 + OVER)));
  const ground = $derived(h - 34);
  const x = (i: number): number => 44 + i * pitch;
  const y = (level: number): number => ground - 26 - level * step;
  const top = (s: Branch): number =>
    s.stages.findLastIndex((n) => n.leaf.state !== '' && n.leaf.state !== 'ready');
  const bud = (s: Branch): number => s.stages.findLastIndex((n) => n.leaf.state !== '');
  const r = $derived(Math.min(16, step * 0.33));

  /** The branch of the stage that is looked at is in sight. */
  let vine = $state<HTMLElement>();
  $effect(() => {
    const i = strands.findIndex((s) => s.stages.some((n) => n.leaf.stage === stage));
    const box = vine?.parentElement;
    if (i >= 0 && box) box.scrollLeft = i * pitch;
  });
</script>

<div class="vine" bind:this={vine} style:height="{h}px" style:min-width="{wide}px">
  <svg width={wide} height={h} aria-hidden="true">
    {#each strands as s, i (s.id)}
      {@const from = `M${wide * 0.42} ${h - 6}C${wide * 0.42} ${h - 22} ${x(i)} ${h - 12} ${x(i)} ${ground - 6}`}
      <path class="stem" style:stroke-width="7" d={from} />
      {#if top(s) >= 0}<path
          class="stem"
          style:stroke-width="4"
          d="M{x(i)} {ground - 4}V{y(top(s)) + 2}"
        />{/if}
      {#if bud(s) > top(s)}<path
          class="stem bud"
          d="M{x(i)} {top(s) >= 0 ? y(top(s)) : ground - 4}V{y(bud(s))}"
        />{/if}
      {#each s.stages as n, level (n.leaf.stage)}
        <path
          class="wire"
          class:on={n.leaf.stage === stage}
          d="M{x(i) - 26} {y(level)}H{x(i) + 26}"
        />
        <g transform="translate({x(i)} {y(level)})">
          <Leaf
            state={n.leaf.state}
            best={n.leaf.best}
            lobes={n.leaf.lobes}
            explained={n.leaf.explained}
            {r}
          />
        </g>
      {/each}
    {/each}
    <path class="earth" d="M0 {h - 5}C{wide * 0.3} {h - 9} {wide * 0.6} {h - 2} {wide} {h - 5}" />
  </svg>
  {#each strands as s, i (s.id)}
    <h2 style:left="{x(i) - 24}px" style:top="{y(s.stages.length - 1) - OVER * step - 24}px">
      {s.name}
    </h2>
    {#each s.stages as n, level (n.leaf.stage)}
      <button
        style:left="{x(i) - 28}px"
        style:top="{y(level) - OVER * step}px"
        style:width="{pitch - 36}px"
        style:height="{step}px"
        class={n.leaf.state}
        class:on={n.leaf.stage === stage}
        aria-pressed={n.leaf.stage === stage}
        aria-label="{s.name}, {n.name}: {n.leaf.says}"
        onclick={() => onpick(n.leaf.stage)}
      >
        <span>{n.name}</span>
      </button>
    {/each}
  {/each}
</div>

<style>
  .vine {
    position: relative;
  }
  svg {
    position: absolute;
    overflow: visible;
  }
  .stem,
  .earth {
    fill: none;
    stroke: var(--wood);
    stroke-linecap: round;
  }
  .stem.bud {
    stroke: var(--leaf);
    stroke-width: 1.6;
  }
  .earth {
    stroke-width: 2;
  }
  .wire {
    stroke: var(--line);
  }
  .wire.on {
    stroke: var(--wood);
    stroke-width: 2;
  }
  h2 {
    position: absolute;
    font-size: var(--t2);
    font-weight: 650;
    color: var(--ink);
  }
  button {
    position: absolute;
    display: flex;
    align-items: center;
    padding: 0 4px 0 58px;
    border-radius: var(--r2);
    font-size: var(--t1);
    line-height: 17px;
    color: var(--ink-2);
  }
  button:hover {
    background: color-mix(in srgb, var(--paper-2) 55%, transparent);
  }
  button.on {
    background: color-mix(in srgb, var(--paper-2) 85%, transparent);
    font-weight: 700;
    color: var(--ink);
  }
  button.secure,
  button.under-way,
  button.ready {
    color: var(--ink);
  }
  button.wobbling {
    color: var(--plum);
    font-weight: 700;
  }
  .vine > svg {
    z-index: 1;
    pointer-events: none;
  }
</style>

<script lang="ts">
  // Up to ten things, counted one after another: those not counted yet above, those that
  // are with their number below. Nothing is shown too.
  import type { One, Step } from '../../../lib/wire.gen';

  let {
    one,
    steps,
    index,
    w,
    h,
  }: { one: One; steps: Step[]; index: number; material: string; w: number; h: number } = $props();

  const step = $derived(steps[index]!);
  const waits = $derived(step.zones.row?.counter ?? 0);
  const done = $derived(step.zones.done?.counter ?? 0);
  const size = $derived(Math.min(w / 6.2, h / 4.6, 104));
  const left = $derived((w - 5.9 * size) / 2);
  const spot = (i: number): { x: number; y: number } => ({
    x: left + (i % 5) * size * 1.2,
    y: Math.floor(i / 5) * size * 1.35,
  });
  const zero = $derived(one.number === 0);
  const shows = $derived(steps.some((s) => s.zones.row));
</script>

<svg
  width={w}
  height={h}
  viewBox="0 0 {w} {h}"
  role="img"
  aria-label="{done} counted, {waits} not yet"
  data-one="row"
  data-done={done}
>
  {#if zero}
    <rect
      class="none"
      x={w / 2 - 1.6 * size}
      y={h / 2 - size}
      width={3.2 * size}
      height={2 * size}
      rx="18"
    />
    {#if step.kind === 'nothing' || step.kind === 'answer' || step.kind === 'write-ones'}
      <text class="zero" x={w / 2} y={h / 2} font-size={size}>0</text>
    {/if}
  {:else}
    {#each { length: one.number }, i (i)}
      {@const at = spot(i)}
      {@const counted = i < done}
      {@const y = shows || counted ? at.y + (h - size * 2.9) / 2 : -999}
      {#if shows || counted}
        {#if counted && i === done - 1 && step.kind === 'one'}
          <rect
            class="now"
            x={at.x - 4}
            y={y - 4}
            width={size + 8}
            height={size * 1.3 + 4}
            rx="14"
          />
        {/if}
        <use
          class:waits={!counted}
          href="#thing-{one.thing}"
          x={at.x + size * 0.1}
          y={y + size * 0.04}
          width={size * 0.8}
          height={size * 0.8}
        />
        {#if counted}<text x={at.x + size / 2} y={y + size * 1.16} font-size={size * 0.36}
            >{i + 1}</text
          >{/if}
      {/if}
    {/each}
  {/if}
</svg>

<style>
  .none {
    fill: none;
    stroke: var(--gap);
    stroke-width: 3;
    stroke-dasharray: 10 9;
  }
  .now {
    fill: var(--leaf-tint);
    stroke: var(--leaf);
    stroke-width: 3;
  }
  text {
    font-family: var(--kid);
    font-weight: 700;
    text-anchor: middle;
    fill: var(--ones-ink);
  }
  .zero {
    dominant-baseline: central;
  }
</style>

<script lang="ts">
  // Number rods: in order above, and below those that lie beside one another.
  import Rod from '../../../lib/bars/Rod.svelte';
  import type { Lesson } from '../../../lib/wire.gen';

  let { lesson, index, w, h }: { lesson: Lesson; index: number; w: number; h: number } = $props();

  const rods = $derived(lesson.link.sum.rods!);
  const step = $derived(lesson.steps[Math.min(index, lesson.steps.length - 1)]!);
  const v = $derived(step.rods!);
  const TEN = 10;
  const order = $derived(rods.asks === 'order');
  const count = $derived(order ? rods.long : TEN);
  const below = $derived(order ? 0 : 190);
  const pitch = $derived(Math.min(order ? 50 : 36, (h - below - 20) / count));
  const unit = $derived(Math.min((w - 90) / TEN, 3 * pitch)); // a rod is not drawn as a plank
  const high = $derived(pitch - 6);
  const left = $derived(Math.max(20, (w - TEN * unit - 50) / 2));
  const lower = $derived(h - 130);
  const out = $derived([...v.above, v.under].filter((n) => n > 0));
  /** Those that are not laid in order yet lie mixed. */
  const waiting = $derived(
    Array.from({ length: rods.long - v.stair }, (_, i) => v.stair + 1 + i).sort(
      (a, b) => ((a * 7) % 11) - ((b * 7) % 11),
    ),
  );
  const mixed = (n: number): number => ((n * 7) % 11) * unit * 0.3;
  const before = (n: number): number => v.above.slice(0, n).reduce((sum, x) => sum + x * unit, 0);
  const long = $derived(v.under || rods.long);
  const gap = $derived(rods.asks === 'missing' && v.under > 0 && v.above.length === 1);
</script>

<svg
  width={w}
  height={h}
  viewBox="0 0 {w} {h}"
  role="img"
  aria-label={order
    ? `${v.stair} of ${rods.long} rods in order`
    : `${v.above.join(' and ') || 'nothing'} above, ${v.under || 'nothing'} beside`}
  data-rods={step.kind}
>
  {#each { length: count }, i (i)}
    {@const n = i + 1}
    {@const y = 10 + i * pitch}
    {@const there = n <= v.stair && !out.includes(n)}
    {#if there}
      <g transform="translate({left} {y})"><Rod {n} {unit} {high} /></g>
    {:else if order && n > v.stair}
      <g class="waits" transform="translate({left + mixed(n)} {y})"
        ><Rod n={waiting[i - v.stair] ?? 1} {unit} {high} /></g
      >
    {:else}
      <rect class="gone" x={left} {y} width={n * unit} height={high} rx="4" />
    {/if}
    {#if there || !order}
      <text
        class:off={!there}
        x={left + n * unit + 16}
        y={y + high / 2 + 8}
        font-size={Math.max(14.2, Math.min(24, high))}>{n}</text
      >
    {/if}
  {/each}
  {#if !order}
    {#if v.flush}
      <path
        class="ends"
        d="M{left} {lower - 34}V{lower + 2 * 36 + 14}M{left + long * unit} {lower - 34}V{lower +
          2 * 36 +
          14}"
      />
      <use href="#leaf" transform="translate({left + long * unit + 6} {lower + 34}) rotate(-10)" />
    {/if}
    {#each v.above as n, i (i)}
      <g class="bar" transform="translate({left + before(i) + (i ? 3 : 0)} {lower})">
        <Rod {n} unit={unit - (i ? 3 / n : 0)} high={32} />
        <text class="mid" x={(n * unit) / 2} y="-14" font-size="38">{n}</text>
      </g>
    {/each}
    {#if gap}
      <rect
        class="due"
        x={left + before(1) + 3}
        y={lower}
        width={rods.second * unit - 4}
        height="32"
        rx="4"
      />
    {/if}
    {#if v.under}
      <g transform="translate({left} {lower + 36})">
        <Rod n={v.under} {unit} high={32} />
        <text class="mid" x={(v.under * unit) / 2} y="70" font-size="38">{v.under}</text>
      </g>
    {/if}
  {/if}
</svg>

<style>
  text {
    font-family: Andika;
    fill: var(--ink);
  }
  .mid {
    text-anchor: middle;
    font-weight: 700;
  }
  .off {
    fill: var(--ink-2);
  }
  .waits {
    opacity: 0.45;
  }
  .gone {
    fill: none;
    stroke: var(--edge);
    stroke-width: 1.6;
    stroke-dasharray: 5 4;
  }
  .due {
    fill: var(--leaf-tint);
    stroke: var(--leaf);
    stroke-width: 2.4;
    stroke-dasharray: 6 4;
  }
  .ends {
    stroke: var(--leaf);
    stroke-width: 2.4;
    stroke-dasharray: 5 4;
  }
</style>

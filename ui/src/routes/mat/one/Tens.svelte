<script lang="ts">
  // Tens and ones of the class's material, or drawn: bars in fives, ones five to a row.
  import { picture } from '../../../lib/pieces/drawn';
  import type { One, Step } from '../../../lib/wire.gen';

  let {
    one,
    steps,
    index,
    material,
    w,
    h,
  }: { one: One; steps: Step[]; index: number; material: string; w: number; h: number } = $props();

  const step = $derived(steps[index]!);
  const tens = $derived(step.zones.mat?.tens ?? 0);
  const ones = $derived(step.zones.mat?.ones ?? 0);
  const drawn = $derived(one.drawn || material === 'drawings');
  const kind = $derived(drawn ? 'drawings' : material === 'drawings' ? 'beads' : material);
  /** A bar is ten units long; a drawn line five, its dots as large as beads. */
  const LONG = $derived(drawn ? 5 : 10);
  const pitch = $derived(drawn ? 1.5 : 1.55);
  const GAP = 1.2; // after the fifth
  const wideOf = (n: number): number => (n ? (n - 1) * pitch + (n > 5 ? GAP : 0) + 1 : 0);
  const ONES = 5 * 1.7;
  const APART = 4;
  const unit = $derived(
    Math.min((h * 0.8) / LONG, w / (wideOf(Math.max(1, one.tens)) + APART + ONES), drawn ? 44 : 34),
  );
  const whole = $derived(
    wideOf(one.tens) + (one.tens ? APART : 0) + (one.ones ? Math.min(5, one.ones) * 1.7 : 0),
  );
  const x0 = $derived((w / unit - whole) / 2);
  const y0 = $derived((h / unit - LONG) / 2);
  const onesAt = $derived(x0 + wideOf(one.tens) + (one.tens ? APART : 0));
  const counted = (kinds: string[]): boolean => kinds.includes(step.kind);
</script>

<svg
  width={w}
  height={h}
  viewBox="0 0 {w / unit} {h / unit}"
  role="img"
  aria-label="{tens} tens, {ones} ones"
  data-one="tens"
>
  {#if step.kind === 'tens' && tens}
    <rect
      class="looked"
      x={x0 - 0.7}
      y={y0 - 0.7}
      width={wideOf(tens) + 1.4}
      height={LONG + 1.4}
      rx="0.6"
    />
  {/if}
  {#if counted(['ones']) && ones}
    <rect
      class="looked"
      x={onesAt - 0.7}
      y={y0 - 0.7}
      width={Math.min(5, ones) * 1.7 + 0.7}
      height={ones > 5 ? 4.2 : 2.4}
      rx="0.6"
    />
  {/if}
  {#each { length: tens }, i (i)}
    <use href="#{picture(kind, 'tens', i)}" x={x0 + i * pitch + (i > 4 ? GAP : 0)} y={y0} />
  {/each}
  {#each { length: ones }, i (i)}
    <use
      href="#{picture(kind, 'ones', i)}"
      x={onesAt + (i % 5) * 1.7}
      y={y0 + Math.floor(i / 5) * 1.8}
    />
  {/each}
  {#if one.ones === 0 && one.tens && counted(['ones', 'answer', 'write-ones'])}
    <text x={onesAt + 1} y={y0 + 2} font-size={30 / unit}>no ones</text>
  {/if}
</svg>

<style>
  .looked {
    fill: var(--leaf-tint);
    stroke: var(--leaf);
    stroke-width: 0.1;
  }
  text {
    font-family: var(--kid);
    fill: var(--ones-ink);
  }
</style>

<script lang="ts">
  // A whole snake in one row: its bars with their numbers; one stroke where a ten cuts a bar,
  // with the remainder bar above, two where it ends with the bar.
  import type { Snake } from '../wire.gen';
  import Bar from './Bar.svelte';
  import Ends from './Ends.svelte';

  let {
    snake,
    width,
    most = 9.4,
    numbers = true,
  }: { snake: Snake; width: number; most?: number; numbers?: boolean } = $props();

  const GAP = 3.4; // between two bars
  const HEAD = 2.4; // units before the first bead, and behind the last
  const u = $derived(
    Math.max(
      2,
      Math.min(most, (width - GAP * (snake.bars.length - 1)) / (snake.total + HEAD + 1.4)),
    ),
  );
  const starts = $derived.by(() => {
    let x = HEAD * u;
    return snake.bars.map((n) => {
      const at = x;
      x += n * u + GAP;
      return at;
    });
  });
  const end = $derived(starts.at(-1)! + snake.bars.at(-1)! * u);
  const y = $derived(2.4 * u);
  const LETTER = 14;
  const told = $derived(numbers && 1.5 * u >= LETTER - 1); // smaller ones have no room for their numbers
  const h = $derived(y + 0.7 * u + (told ? LETTER + 3 : 0));
</script>

<svg
  width={Math.min(width, end + 1.5 * u)}
  height={h}
  viewBox="0 0 {Math.min(width, end + 1.5 * u)} {h}"
  aria-hidden="true"
>
  <path d="M{HEAD * u - 3} {y}H{end}" stroke="var(--wood)" stroke-width="1.6" />
  <g transform="translate({HEAD * u} {y}) scale({u * 1.15})"><Ends /></g>
  <g transform="translate({end} {y}) scale({u})"><Ends tail /></g>
  {#each snake.bars as n, i (i)}
    <g transform="translate({starts[i]} {y})"><Bar {n} {u} eyes={false} /></g>
    {#if told}
      <text
        x={starts[i]! + (n * u) / 2}
        y={y + 0.6 * u + LETTER}
        font-size={LETTER}
        fill="var(--stair-{n}-ink)">{n}</text
      >
    {/if}
  {/each}
  {#each snake.tens as t, i (i)}
    {@const x = starts[t.to - 1]! + (snake.bars[t.to - 1]! - t.left) * u}
    {#if t.left}
      <path class="cut" d="M{x} {y - 2.1 * u}V{y + 0.85 * u}" stroke-width="2" />
      <g transform="translate({x + 1.5} {y - 1.35 * u})">
        <Bar n={t.left} kind="remainder" u={u * 0.98} cased={false} />
      </g>
    {:else}
      <path
        class="cut"
        d="M{x - 0.4} {y - 2.1 * u}V{y + 0.85 * u}M{x + GAP + 0.4} {y - 2.1 * u}V{y + 0.85 * u}"
        stroke-width="1.6"
      />
    {/if}
  {/each}
</svg>

<style>
  text {
    font-family: Andika;
    text-anchor: middle;
  }
  .cut {
    stroke: var(--ink);
    stroke-linecap: round;
  }
</style>

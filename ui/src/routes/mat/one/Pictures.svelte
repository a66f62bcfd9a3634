<script lang="ts">
  // Four pictures: one of them shows the number, or each is laid to its numeral.
  import Frame from '../../../lib/ones/Frame.svelte';
  import { picture } from '../../../lib/pieces/drawn';
  import type { One, Step } from '../../../lib/wire.gen';

  let {
    one,
    steps,
    index,
    w,
    h,
  }: { one: One; steps: Step[]; index: number; material: string; w: number; h: number } = $props();

  const step = $derived(steps[index]!);
  const matches = $derived(one.answered === 'match');
  const found = $derived(step.kind === 'found' || step.kind === 'answer');
  /** How many pictures have their numeral. */
  const laid = $derived(
    !matches ? 0 : step.kind === 'answer' ? one.choices.length : (step.ten ?? 0),
  );
  const GAP = 20;
  const wide = $derived((w - GAP) / 2);
  const given = $derived(matches ? 0 : Math.min(96, h * 0.2));
  const numeral = $derived(matches ? 66 : 0);
  /** The numerals that are not laid yet, in another order than the pictures. */
  const waiting = $derived(
    matches
      ? [2, 0, 3, 1].flatMap((i) => (i >= laid && one.choices[i] ? [one.choices[i].number] : []))
      : [],
  );
  const row = $derived(matches ? Math.min(76, h * 0.16) : 0);
  const high = $derived((h - given - row - GAP) / 2);
  const room = $derived(high - numeral);
  const most = $derived(Math.max(...one.choices.map((c) => c.frames.length)));
  const cell = $derived(Math.min((wide - 40) / 5.3, (room - 30) / (most * 2.5)));
  const unit = $derived(Math.min((room - 60) / 6, (wide - 40) / 28));
</script>

<svg width={w} height={h} viewBox="0 0 {w} {h}" data-one="pictures" data-laid={laid}>
  {#if !matches}
    <text class="given" x={w / 2} y={given * 0.74} font-size={given * 0.58}>{one.given}</text>
  {/if}
  {#each waiting as n, i (n)}
    <g transform="translate({w / 2 + (i - waiting.length / 2) * 116 + 8} {h - row + 8})">
      <rect class="slot here" width="100" height={row - 10} rx="6" />
      <text class="numeral" x="50" y={row / 2 + 11} style:font-size="{Math.min(46, row * 0.62)}px"
        >{n}</text
      >
    </g>
  {/each}
  {#each one.choices as c, i (c.number)}
    {@const right = !matches && found && c.number === one.number}
    {@const now = matches && step.kind === 'laid' && i === laid - 1}
    <g
      role="img"
      aria-label="picture {i + 1}{right ? ', the right one' : ''}{i < laid ? `, ${c.number}` : ''}"
      transform="translate({(i % 2) * (wide + GAP)} {given + Math.floor(i / 2) * (high + GAP)})"
    >
      <rect
        class="card"
        class:right
        class:now
        x="2"
        y="2"
        width={wide - 4}
        height={high - 4}
        rx="10"
      />
      <text class="nth" x="16" y="28">{i + 1}</text>
      {#if one.drawn}
        <g transform="translate({wide / 2 - 12 * unit} {room / 2 - 2.5 * unit}) scale({unit})">
          {#each { length: c.tens }, k (k)}<use
              href="#{picture('drawings', 'tens', k)}"
              x={k * 1.5 + (k > 4 ? 1 : 0)}
              y="0"
            />{/each}
          {#each { length: c.ones }, k (k)}<use
              href="#{picture('drawings', 'ones', k)}"
              x={16 + (k % 5) * 1.7}
              y={Math.floor(k / 5) * 1.8 + 0.5}
            />{/each}
        </g>
      {:else}
        {#each c.frames as n, f (f)}
          <Frame
            {n}
            {cell}
            x={(wide - 5.24 * cell) / 2}
            y={(room - c.frames.length * 2.5 * cell) / 2 + f * 2.5 * cell + 4}
            counter
            pairs={one.pairs}
          />
        {/each}
      {/if}
      {#if matches}
        <rect
          class="slot"
          class:here={i < laid}
          x={wide / 2 - 50}
          y={room - 8}
          width="100"
          height="60"
          rx="6"
        />
        {#if i < laid}<text class="numeral" x={wide / 2} y={room + 38}>{c.number}</text>{/if}
      {/if}
    </g>
  {/each}
</svg>

<style>
  .card {
    fill: var(--sheet);
    stroke: var(--line);
    stroke-width: 1.6;
  }
  .card.right,
  .card.now {
    stroke: var(--leaf);
    stroke-width: 5;
  }
  .card.right {
    fill: var(--leaf-tint);
  }
  .given,
  .numeral {
    font-family: var(--kid);
    font-weight: 700;
    text-anchor: middle;
    fill: var(--ink);
  }
  .numeral {
    font-size: 46px;
  }
  .nth {
    font: 700 20px var(--text);
    fill: var(--ink-2);
  }
  .slot {
    fill: none;
    stroke: var(--gap);
    stroke-width: 2;
    stroke-dasharray: 6 5;
  }
  .slot.here {
    fill: var(--card);
    stroke: var(--line);
    stroke-dasharray: none;
  }
</style>

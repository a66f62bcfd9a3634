<script lang="ts">
  // A snake of bead bars on the mat: golden rows above, the line that is counted, the tail
  // that waits, and below what is laid aside.
  import Bar from '../../../lib/bars/Bar.svelte';
  import Ends from '../../../lib/bars/Ends.svelte';
  import type { Lesson } from '../../../lib/wire.gen';
  import { numbers } from './numbers.svelte';
  import {
    barsAt,
    goldenRow,
    goldenSpread,
    lineStart,
    planOf,
    spreadOf,
    tailEnd,
    under,
    type Spot,
  } from './snake';

  let { lesson, index, w, h }: { lesson: Lesson; index: number; w: number; h: number } = $props();

  const TEN = 10;
  const DIGIT_DOWN = 22; // from a bead to the foot of its number
  const UNIT = 28; // bars are drawn at this one, and scaled
  const snake = $derived(lesson.link.sum.snake!);
  const step = $derived(lesson.steps[index]!);
  const v = $derived(step.snake!);
  const plan = $derived(planOf(snake, w, h));
  const apart = $derived(step.at.startsWith('read') || step.at.startsWith('check'));
  const spread = $derived(apart ? spreadOf(snake, plan) : undefined);
  const u = $derived(spread?.u ?? plan.u);
  const bars = $derived(barsAt(snake, v, plan, spread));
  const start = $derived(lineStart(plan));
  const move = (s: Spot): string =>
    `transform: translate(${s.x}px, ${s.y}px) rotate(${s.turn}deg) scale(${u / UNIT})`;

  const row = (k: number): Spot => (spread ? goldenSpread(snake, spread, k) : goldenRow(plan, k));
  const golden = $derived.by(() => {
    const list = Array.from({ length: v.golden }, (_, k) => ({ ...row(k), k, now: false }));
    if (v.in) list.push({ x: start, y: plan.line, turn: 0, k: v.golden, now: false });
    if (v.beneath) list.push({ x: start, y: plan.below, turn: 0, k: v.golden, now: true });
    return list;
  });
  /** The remainder bars that lie there, each known by the ten that it came from. */
  const remainders = $derived.by(() => {
    const list: (Spot & { n: number; id: string; now: boolean })[] = [];
    const ten = v.golden;
    if (v.old)
      list.push({
        x: start,
        y: plan.line - (v.in ? 1.45 * u : 0),
        turn: 0,
        n: v.old,
        id: `left-${ten - 1}`,
        now: false,
      });
    if (v.remain && v.in)
      list.push({
        x: start + TEN * u + 4,
        y: plan.line,
        turn: 0,
        n: v.remain,
        id: `left-${ten}`,
        now: step.kind === 'remain',
      });
    else if (v.remain)
      list.push({
        ...row(v.golden),
        ...(spread && { x: row(snake.golden).x + 0.12 * u }),
        n: v.remain,
        id: 'end',
        now: step.kind === 'close',
      });
    return list;
  });
  const inLine = $derived(v.to > v.aside || v.old > 0);
  const counts = $derived(!spread && step.at.startsWith('count'));
  const twig = $derived(v.beneath || v.in || v.counted === TEN);
  /** No number is smaller; where there is no room for all, those of five and ten stand there. */
  const LEAST = 14.2;
  const FIVE = 5;
  const digits = $derived(Math.max(LEAST, u * 0.82));
  const fives = $derived(u < 15);
  const legible = (size: number): number => Math.max(LEAST, size);
  /** Bars that go next, or went just now. */
  const rings = $derived(
    step.kind === 'golden' || step.kind === 'left'
      ? bars.slice(v.aside, v.to).map((at, k) => ({ at, n: snake.bars[v.aside + k]! }))
      : step.kind === 'aside'
        ? bars
            .slice(lesson.steps[index - 1]!.snake!.aside, v.aside)
            .map((at, k) => ({ at, n: snake.bars[lesson.steps[index - 1]!.snake!.aside + k]! }))
        : [],
  );
  const end = $derived(v.to < snake.bars.length ? tailEnd(snake, bars, u) : undefined);
  const headAt = $derived(v.golden > 0 ? row(0) : { x: start, y: plan.line, turn: 0 });
  /** The cord from the head through the golden rows and the line to the tail. */
  const wire = $derived.by(() => {
    if (spread) return '';
    const far = start + 2 * TEN * u + 6;
    let d = '';
    const loop = (from: number, to: number): string => {
      const mid = (from + to) / 2;
      const r = 1.2 * u;
      return `M${far} ${from}C${far + r} ${from} ${far + r} ${mid} ${far - 8} ${mid}H${start - 0.7 * u}C${start - 2.2 * u} ${mid} ${start - 2.2 * u} ${to} ${start - 2} ${to}`;
    };
    const rows = Math.ceil(v.golden / 2);
    const last = v.golden % 2 ? row(v.golden - 1).x + TEN * u : far;
    for (let r = 0; r + 1 < rows; r++) d += loop(row(2 * r).y, row(2 * r + 2).y);
    if (rows && (inLine || v.in)) {
      const from = row(2 * rows - 2).y;
      d += `M${last} ${from}H${far}${loop(from, plan.line)}`;
    }
    const behind = v.in
      ? start + TEN * u + (v.remain || v.past) * u
      : start + (v.old + snake.bars.slice(v.aside, v.to).reduce((sum, n) => sum + n, 0)) * u;
    if (v.to < snake.bars.length) {
      const first = bars[v.to]!;
      d += `M${behind} ${plan.line}H${Math.max(behind, w - 3 * u)}C${w - 0.4 * u} ${plan.line} ${w} ${first.y - u} ${first.x} ${first.y}`;
    }
    return d;
  });
  const aboveTray = $derived(
    Math.min(
      ...bars
        .slice(0, v.aside)
        .filter((b) => b.y > plan.tail)
        .map((b) => b.y),
      plan.tray,
    ) -
      0.95 * u,
  );
  const label = $derived(
    [
      `${v.golden + (v.in ? 1 : 0)} golden tens`,
      counts && v.counted ? `${v.counted} counted` : '',
      v.remain ? `a remainder bar of ${v.remain}` : '',
      `${snake.bars.length - v.to} bars wait`,
      `${v.aside} aside`,
    ]
      .filter(Boolean)
      .join(', '),
  );
</script>

<svg
  width={w}
  height={h}
  viewBox="0 0 {w} {h}"
  role="img"
  aria-label={label}
  data-snake={step.kind}
  data-golden={v.golden + (v.in ? 1 : 0)}
  data-aside={v.aside}
  data-remain={v.remain || v.old}
>
  <path class="wire" d={wire} />
  {#if spread}
    {#each snake.pairs as pair, k (pair.join())}
      {@const g = goldenSpread(snake, spread, k)}
      {#if k === v.paired && v.paired < snake.pairs.length && step.at.startsWith('check')}
        <rect
          class="due"
          x={g.x}
          y={g.y + under(spread) - 0.6 * u}
          width={TEN * u}
          height={1.2 * u}
          rx={0.6 * u}
        />
      {:else if k < v.paired}
        <path
          class="ends"
          d="M{g.x} {g.y - 0.8 * u}V{g.y + under(spread) + 0.8 * u}M{g.x + TEN * u} {g.y -
            0.8 * u}V{g.y + under(spread) + 0.8 * u}"
        />
        <text
          class="pair"
          x={g.x + 5 * u}
          y={g.y + under(spread) + 0.6 * u + Math.min(28, spread.pitch * 0.24)}
          font-size={legible(Math.min(28, spread.pitch * 0.24))}
          >{snake.bars[pair[0]!]} and {snake.bars[pair[1]!]}</text
        >
      {/if}
    {/each}
    {#if v.rest}
      {@const g = goldenSpread(snake, spread, snake.pairs.length)}
      {@const long = (TEN * spread.rest + snake.last) * u}
      <path
        class="ends"
        d="M{g.x} {g.y - 0.8 * u}V{g.y + under(spread) + 0.8 * u}M{g.x + long} {g.y -
          0.8 * u}V{g.y + under(spread) + 0.8 * u}"
      />
    {/if}
  {/if}
  {#if counts && numbers.shown}
    {#each { length: v.counted }, i (i)}
      {#if !fives || i % FIVE === FIVE - 1}<text
          class="digit"
          class:ten={i === 9}
          x={start + (i + 0.5) * u}
          y={plan.line + 0.65 * u + DIGIT_DOWN}
          font-size={digits}>{i + 1}</text
        >{/if}
    {/each}
    {#each { length: v.past }, i (i)}
      {#if !fives || i === v.past - 1}<text
          class="digit past"
          x={start + (TEN + i + 0.5) * u + 4}
          y={plan.line + 0.65 * u + DIGIT_DOWN}
          font-size={digits}>{i + 1}</text
        >{/if}
    {/each}
    {#if v.remain && v.in}
      {#each { length: TEN - v.remain }, i (i)}
        <circle
          class="next"
          cx={start + (TEN + v.remain + i + 0.5) * u + 4}
          cy={plan.line + 0.65 * u + DIGIT_DOWN - digits * 0.35}
          r="3"
        />
      {/each}
    {/if}
  {/if}
  <g transform="translate({headAt.x - 2} {headAt.y}) scale({u})"><Ends /></g>
  {#each golden as g (g.k)}
    <g class="bar" style={move(g)} data-golden-bar>
      <g class="come"><Bar n={TEN} kind="golden" u={UNIT} /></g>
    </g>
    {#if g.now}
      <rect
        class="ring"
        x={g.x - 0.3 * u}
        y={g.y - 0.82 * u}
        width={10.6 * u}
        height={1.64 * u}
        rx={0.8 * u}
      />
      <text class="says" x={g.x + 11 * u} y={g.y + 9} font-size={legible(Math.min(28, u))}
        >as long as the ten</text
      >
    {/if}
    {#if !g.now && !(v.in && g.k === v.golden && v.to > v.aside)}
      <text
        class="tens"
        x={g.x + TEN * u - 2}
        y={g.y - 0.8 * u}
        font-size={legible(spread ? Math.min(30, u) : Math.min(40, plan.pitch - 1.45 * u, 1.5 * u))}
        >{TEN * (g.k + 1)}</text
      >
    {/if}
  {/each}
  {#each snake.bars as n, i (i)}
    <g class="bar" style={move(bars[i]!)}><Bar {n} u={UNIT} /></g>
  {/each}
  {#each bars.slice(v.aside + 1, v.to) as at (at.x)}
    {#if !spread}<circle class="joint" cx={at.x} cy={at.y} r={0.19 * u} />{/if}
  {/each}
  {#each bars.slice(v.to + 1) as at, k (k)}
    <circle class="joint" cx={at.x} cy={at.y} r={0.19 * u} />
  {/each}
  {#if spread}
    {#each snake.pairs.slice(0, v.paired) as [a, b] (b)}
      <circle class="joint" cx={bars[b!]!.x} cy={bars[a!]!.y} r={0.19 * u} />
    {/each}
    {#each v.rest ? snake.rest.slice(1) : [] as i (i)}
      <circle class="joint" cx={bars[i]!.x} cy={bars[i]!.y} r={0.19 * u} />
    {/each}
  {/if}
  {#if end}
    <g transform="translate({end.x} {end.y}) rotate({end.turn}) scale({u})"><Ends tail /></g>
  {/if}
  {#each remainders as r (r.id)}
    <g class="bar" style={move(r)}>
      <g class="come"><Bar n={r.n} kind="remainder" u={UNIT} /></g>
    </g>
    {#if r.now}
      <rect
        class="ring"
        x={r.x - 0.34 * u}
        y={r.y - 0.82 * u}
        width={(r.n + 0.68) * u}
        height={1.64 * u}
        rx={0.8 * u}
      />
    {/if}
  {/each}
  {#each rings as { at, n } (at.x + at.y)}
    <rect
      class="ring"
      class:went={step.kind === 'aside'}
      x={at.x - 0.2 * u}
      y={at.y - 0.7 * u}
      width={(n + 0.4) * u}
      height={1.4 * u}
      rx={0.7 * u}
    />
  {/each}
  {#if twig}
    {@const x = start + TEN * u + 1}
    <path
      class="twig"
      d="M{x} {plan.line - 1.6 * u}C{x + 3} {plan.line - 0.8 * u} {x - 3} {plan.line +
        0.2 * u} {x} {plan.line + 0.65 * u + DIGIT_DOWN + 4}M{x} {plan.line - 1.35 * u}L{x +
        9} {plan.line - 1.62 * u}"
    />
  {/if}
  {#if v.aside && !(step.at.startsWith('check') && v.rest)}
    <path class="tray" d="M8 {aboveTray}H{w - 8}" />
    <text class="aside" x="14" y={aboveTray - 6} font-size={Math.max(15, u * 0.55)}
      >{spread && v.paired + (v.rest ? 1 : 0) > 0
        ? 'laid aside, not yet paired'
        : 'laid aside'}</text
    >
  {/if}
</svg>

<style>
  .bar {
    transition: transform 0.36s ease;
  }
  .come {
    animation: come 0.3s ease;
  }
  @keyframes come {
    from {
      opacity: 0;
    }
  }
  @media (prefers-reduced-motion: reduce) {
    .bar {
      transition: none;
    }
    .come {
      animation: none;
    }
  }
  text {
    font-family: Andika;
    fill: var(--ink);
  }
  .wire {
    fill: none;
    stroke: var(--wood);
    stroke-width: 3;
    stroke-linecap: round;
  }
  .digit,
  .pair {
    text-anchor: middle;
  }
  .ten {
    font-weight: 700;
  }
  .past {
    font-weight: 700;
    fill: var(--leaf-deep);
  }
  .next {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 2;
  }
  .tens {
    text-anchor: end;
    font-weight: 700;
    fill: var(--tens-ink);
    stroke: var(--paper);
    stroke-width: 6px;
    paint-order: stroke;
  }
  .says {
    fill: var(--ink-2);
  }
  .joint {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 1.8;
  }
  .ring {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 3;
  }
  .ring.went {
    stroke: var(--wood);
    stroke-width: 2;
  }
  .twig {
    fill: none;
    stroke: var(--ink);
    stroke-width: 4.5;
    stroke-linecap: round;
  }
  .due {
    fill: var(--leaf-tint);
    stroke: var(--leaf);
    stroke-width: 2;
    stroke-dasharray: 5 4;
  }
  .ends {
    stroke: var(--edge);
    stroke-width: 2;
  }
  .tray {
    stroke: var(--tray);
    stroke-width: 1.6;
  }
  .aside {
    font-family: Atkinson, sans-serif;
    fill: var(--ink-2);
  }
</style>

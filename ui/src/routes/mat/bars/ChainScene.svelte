<script lang="ts">
  // A chain of equal bars: stretched out with a tag at each bar's end, then folded into a
  // square, or into squares that are stacked; or a number whose bars are counted off.
  import Bar from '../../../lib/bars/Bar.svelte';
  import type { Lesson } from '../../../lib/wire.gen';

  let {
    lesson,
    index,
    w,
    h,
    large = false,
  }: { lesson: Lesson; index: number; w: number; h: number; large?: boolean } = $props();

  const chain = $derived(lesson.link.sum.chain!);
  const step = $derived(lesson.steps[Math.min(index, lesson.steps.length - 1)]!);
  const v = $derived(step.chain!);
  const TEN = 10;
  const HUNDRED = 100;
  const FIVES = 5;
  const kind = $derived(chain.beads === TEN ? ('golden' as const) : ('stair' as const));
  const ink = $derived(chain.beads >= TEN ? 'var(--tens-ink)' : `var(--stair-${chain.beads}-ink)`);
  const asks = $derived(chain.asks === 'how-many');
  const folds = $derived(step.at.startsWith('fold'));
  const LEAST = 14.2; // no text is smaller
  const legible = (size: number): number => Math.max(LEAST, size);
  const GAP = 4;
  const EDGE = 20;

  /** Up to so many bars have their tags in one line; a long chain lies in rows of its square. */
  const long = $derived(chain.bars > TEN);
  const perRow = $derived(long ? chain.beads : chain.bars);
  const rows = $derived(Math.ceil(chain.bars / perRow));
  const u = $derived(
    Math.min(
      (w - 2 * EDGE - GAP * (perRow - 1)) / (perRow * chain.beads),
      long ? (h - 90) / (rows * 3.4) : h / 9,
      34,
    ),
  );
  const barWidth = $derived(chain.beads * u + GAP);
  const left = $derived((w - perRow * barWidth + GAP) / 2);
  const rowHigh = $derived(long ? Math.min(3.4 * u + 12, (h - 60) / rows) : 0);
  const top = $derived(long ? 20 + u : Math.min(0.27 * h, 190));
  const spot = (i: number): { x: number; y: number } => ({
    x: left + (i % perRow) * barWidth,
    y: top + Math.floor(i / perRow) * rowHigh,
  });
  const tag = $derived(
    Math.min(82, Math.max(20, barWidth - 6, 0), long ? barWidth - 6 : 82, (w - 40) / perRow - 6),
  );
  const size = $derived(
    Math.max(
      LEAST,
      Math.min(
        tag * 0.52,
        (1.7 * tag) / String(chain.total).length,
        long ? rowHigh - 1.2 * u - 4 : 44,
      ),
    ),
  );
  const child = (i: number): string =>
    lesson.children[
      lesson.steps.find((s) => s.kind === 'tag' && s.ten === i + 1)?.turn ?? -1
    ]?.name.split(' ')[0] ?? '';
  /** A tag lies under its bar, its point at the bar's last bead. */
  const lean = $derived(Math.min(18, tag / 2 - 10));
  const card = (x: number, y: number): string =>
    `M${x} ${y}l9 14H${x + lean}v${tag * 0.7}h${-tag}v${-tag * 0.7}H${x - 9}z`;
  const names = $derived(!long && lesson.children.length > 0 && tag >= 56);

  // Folding.
  const fu = $derived(
    chain.stacks
      ? Math.min(
          26,
          (h - 150) / (2.2 * chain.beads),
          (w - 60) / ((chain.beads + 1) * Math.min(5, chain.beads)),
        )
      : Math.min(34, (h - 60) / (chain.beads * 2.1), (w * 0.46) / chain.beads),
  );
  const fx = $derived(w * 0.12 + 30);
  const fy = 30;
  /** A bar that is not folded yet swings right and left below the square. */
  const swing = (i: number): { x: number; y: number; turn: number } => {
    const n = i - v.folded;
    const long = chain.beads * fu;
    const rise = Math.min(
      0.5,
      (h - fy - 20 - v.folded * fu) / ((chain.bars - v.folded) * long || 1),
    );
    const along = long * Math.sqrt(1 - rise * rise);
    const y = fy + (v.folded + 0.5) * fu + n * long * rise;
    return n % 2 === v.folded % 2
      ? { x: fx, y, turn: (Math.asin(rise) * 180) / Math.PI }
      : { x: fx + along, y, turn: 180 - (Math.asin(rise) * 180) / Math.PI };
  };
  const folded = (i: number): { x: number; y: number; turn: number } => ({
    x: fx,
    y: fy + (i + 0.5) * fu,
    turn: 0,
  });
  const squares = $derived(Math.min(5, chain.beads));
  const squareAt = (n: number): { x: number; y: number } => ({
    x: 24 + (n % squares) * (chain.beads + 1) * fu,
    y: 30 + Math.floor(n / squares) * (chain.beads + 1) * fu,
  });
  const stackAt = (n: number): { x: number; y: number } => ({
    x: w / 2 - (chain.beads * fu) / 2 + n * 0.42 * fu,
    y: h / 2 - (chain.beads * fu) / 2 + (chain.beads / 2 - n) * 0.42 * fu,
  });

  // How many in a number.
  const ru = $derived(
    chain.beads === HUNDRED ? 0 : Math.min(34, (w - 2 * EDGE) / chain.total, h / 9),
  );
  const rx = $derived((w - chain.total * ru) / 2);
  const ry = $derived(0.36 * h);
  const label = $derived(
    asks
      ? `${v.ringed} counted in ${chain.total}`
      : folds
        ? `${v.folded} bars folded`
        : `${v.tagged} tags laid, the chain has ${chain.bars} bars`,
  );
</script>

{#snippet question(y: number)}
  {#if !large}
    <text class="asked" x={w / 2} {y} font-size={legible(Math.min(36, w / 20))}>{chain.ask}</text>
  {/if}
{/snippet}

<svg
  width={w}
  height={h}
  viewBox="0 0 {w} {h}"
  role="img"
  aria-label={label}
  data-chain={step.kind}
  data-tagged={v.tagged}
>
  {#if asks && chain.beads === HUNDRED}
    {@const q = Math.min(150, (w - 60) / 5 - 12, (h - 240) / 2)}
    {@render question(54)}
    {#each { length: chain.bars }, i (i)}
      {@const x = w / 2 - 2.5 * q - 28 + (i % 5) * (q + 14)}
      {@const y = 90 + Math.floor(i / 5) * (q + 64)}
      <rect class="flat" class:off={i >= v.ringed} {x} {y} width={q} height={q} rx="6" />
      {#each { length: 100 }, k (k)}
        <circle
          class:off={i >= v.ringed}
          cx={x + ((k % 10) + 0.5) * (q / 10)}
          cy={y + (Math.floor(k / 10) + 0.5) * (q / 10)}
          r={q / 24}
          fill="var(--ones)"
        />
      {/each}
      {#if i < v.ringed}
        <text class="count" x={x + q / 2} y={y + q + 40} font-size="36" fill={ink}>{i + 1}</text>
      {/if}
    {/each}
  {:else if asks}
    {@render question(0.14 * h)}
    {#each { length: chain.bars }, i (i)}
      {@const x = rx + i * chain.beads * ru}
      <g transform="translate({x} {ry})"><Bar n={chain.beads} {kind} u={ru} /></g>
      {#if i < v.ringed}
        <rect
          class="ring"
          class:now={i === v.ringed - 1 && step.kind === 'ring'}
          x={x + 1}
          y={ry - 0.85 * Math.max(ru, 10)}
          width={chain.beads * ru - 2}
          height={1.7 * Math.max(ru, 10)}
          rx={0.8 * ru}
          style:stroke={i === v.ringed - 1 && step.kind === 'ring' ? 'var(--leaf)' : ink}
        />
        <text
          class="count"
          x={x + (chain.beads * ru) / 2}
          y={ry + ru + 48}
          font-size={legible(Math.min(48, chain.beads * ru * 0.8))}
          fill={ink}>{i + 1}</text
        >
        <text
          class="far"
          x={x + chain.beads * ru}
          y={ry - ru - 10}
          font-size={legible(Math.min(26, chain.beads * ru * 0.5))}
          fill={ink}>{(i + 1) * chain.beads}</text
        >
      {/if}
    {/each}
    {#if step.kind === 'answer'}
      <text class="asked" x={w / 2} y={0.72 * h} font-size={legible(Math.min(44, w / 17))}
        >{chain.bars} × {chain.beads} = {chain.total}</text
      >
    {/if}
  {:else if folds && chain.stacks}
    {#each { length: chain.beads }, n (n)}
      {@const at = v.stacked ? stackAt(n) : squareAt(n)}
      {#if n < v.squares}
        <g class="bar" style="transform: translate({at.x}px, {at.y}px)">
          {#each { length: chain.beads }, k (k)}
            <g transform="translate(0 {(k + 0.5) * fu})"
              ><Bar n={chain.beads} {kind} u={fu} eyes={false} /></g
            >
          {/each}
        </g>
      {:else}
        <rect
          class="due"
          x={at.x}
          y={at.y}
          width={chain.beads * fu}
          height={chain.beads * fu}
          rx="6"
        />
      {/if}
    {/each}
    <text
      class="asked"
      x={w / 2}
      y={v.stacked ? h - 24 : squareAt(chain.beads - 1).y + chain.beads * fu + 60}
      font-size="30"
      >{v.stacked
        ? `${chain.beads} × ${chain.beads} × ${chain.beads} = ${chain.total}`
        : `${v.squares} × ${chain.beads * chain.beads} = ${step.count}`}</text
    >
  {:else if folds}
    <rect
      class="due"
      x={fx - 5}
      y={fy - 5}
      width={chain.beads * fu + 10}
      height={chain.beads * fu + 10}
      rx="6"
    />
    {#each { length: chain.bars }, i (i)}
      {@const at = i < v.folded ? folded(i) : swing(i)}
      <g
        class="bar"
        style="transform: translate({at.x}px, {at.y}px) rotate({at.turn}deg) scale({fu / 28})"
        ><Bar n={chain.beads} {kind} u={28} /></g
      >
    {/each}
    {#each { length: v.folded }, i (i)}
      <text
        class="far"
        x={i % 2 ? fx - 12 : fx + chain.beads * fu + 44}
        y={fy + (i + 0.5) * fu + 9}
        font-size={legible(Math.min(26, fu * 0.95))}
        fill={ink}>{(i + 1) * chain.beads}</text
      >
    {/each}
    <text class="asked" x={w * 0.78} y={h * 0.3} font-size="30"
      >{chain.beads} × {chain.beads} =</text
    >
    {#if step.kind === 'whole'}
      <text class="asked big" x={w * 0.78} y={h * 0.3 + 64} font-size="56">{chain.total}</text>
    {:else}
      <rect class="due" x={w * 0.78 - 40} y={h * 0.3 + 20} width="80" height="56" rx="6" />
    {/if}
  {:else}
    <path
      class="wire"
      d="M{left - 9} {top}H{left + perRow * barWidth}{Array.from(
        { length: rows - 1 },
        (_, r) => `M${left - 9} ${top + (r + 1) * rowHigh}H${left + perRow * barWidth}`,
      ).join('')}"
    />
    {#each { length: chain.bars }, i (i)}
      {@const at = spot(i)}
      {@const end = at.x + chain.beads * u - u / 2}
      {#if !long && i === v.tagged && step.at.startsWith('count')}
        <rect
          class="ring now"
          x={at.x - 4}
          y={at.y - 0.8 * u}
          width={chain.beads * u + 8}
          height={1.6 * u}
          rx={0.8 * u}
          style:stroke="var(--leaf)"
        />
      {/if}
      <g transform="translate({at.x} {at.y})"><Bar n={chain.beads} {kind} {u} eyes={false} /></g>
      {#if !long && i < v.tagged}
        <path
          class="jump"
          d="M{i ? spot(i - 1).x + chain.beads * u - u / 2 : left - 8} {at.y - u}Q{at.x +
            (chain.beads * u) / 2} {at.y - 3.6 * u - 16} {end} {at.y - u}"
          stroke={ink}
        />
        <text
          class="count plus"
          x={at.x + (chain.beads * u) / 2}
          y={at.y - 2.4 * u - 12}
          font-size={legible(Math.min(28, tag * 0.4))}
          fill={ink}>+{chain.beads}</text
        >
      {/if}
      {#if long}
        {#if i < v.tagged}
          <text class="count" x={end} y={at.y + 0.7 * u + size} font-size={size} fill={ink}
            >{chain.tags[i]}</text
          >
        {/if}
      {:else}
        <path
          class="tag"
          class:laid={i < v.tagged}
          class:next={i === v.tagged}
          d={card(end, at.y + 0.7 * u)}
          style:stroke={i < v.tagged ? ink : undefined}
        />
        {#if i < v.tagged}
          <text
            class="count"
            x={end + lean - tag / 2}
            y={at.y + 0.7 * u + 14 + tag * 0.35 + size * 0.36}
            font-size={size}>{chain.tags[i]}</text
          >
        {/if}
        {#if names && i >= chain.from && i <= v.tagged}
          <text
            class="name"
            class:next={i === v.tagged}
            x={end + lean - tag / 2}
            y={at.y + 0.7 * u + 32 + tag * 0.7}>{child(i)}</text
          >
        {/if}
      {/if}
    {/each}
    {#if v.along}
      {@const at = spot(v.tagged)}
      {#each { length: v.along }, k (k)}
        {#if k === FIVES - 1 || k >= FIVES}
          <text
            class="count"
            x={at.x + (k + 0.5) * u}
            y={at.y - u}
            font-size={legible(Math.min(22, u))}>{v.tagged * chain.beads + k + 1}</text
          >
        {/if}
      {/each}
    {/if}
    {#if !long && chain.folds && v.tagged}
      {@const su = Math.min(u, (h - top - 220) / chain.beads)}
      {#if su > 4}
        <g transform="translate({left} {h - chain.beads * su - 20})">
          <rect
            class="due"
            x="-4"
            y="-4"
            width={chain.beads * su + 8}
            height={chain.beads * su + 8}
            rx="6"
          />
          {#each { length: v.tagged }, k (k)}
            <g transform="translate(0 {(k + 0.5) * su})"
              ><Bar n={chain.beads} {kind} u={su} eyes={false} /></g
            >
          {/each}
          <text
            class="beside"
            x={chain.beads * su + 28}
            y={(chain.beads * su) / 2 - 6}
            font-size="24">{v.times}</text
          >
          {#if w > 600}<text
              class="beside soft"
              x={chain.beads * su + 28}
              y={(chain.beads * su) / 2 + 26}
              font-size="20">side by side: {chain.bars} of them make a square</text
            >{/if}
        </g>
      {/if}
    {/if}
  {/if}
</svg>

<style>
  .bar {
    transition: transform 0.36s ease;
  }
  @media (prefers-reduced-motion: reduce) {
    .bar {
      transition: none;
    }
  }
  text {
    font-family: Andika;
  }
  .wire {
    stroke: var(--wood);
    stroke-width: 2;
  }
  .count,
  .asked,
  .name {
    text-anchor: middle;
  }
  .count {
    font-weight: 700;
  }
  .count.plus {
    font-weight: 400;
  }
  .far {
    text-anchor: end;
    font-weight: 700;
  }
  .asked,
  .beside {
    fill: var(--ink);
  }
  .soft {
    fill: var(--ink-2);
  }
  .big {
    font-weight: 700;
  }
  .name {
    font:
      400 14px Atkinson,
      sans-serif;
    fill: var(--ink-2);
  }
  .name.next {
    font-weight: 700;
    fill: var(--ink);
  }
  .ring {
    fill: none;
    stroke-width: 2.4;
  }
  .ring.now {
    stroke-width: 3.4;
  }
  .jump {
    fill: none;
    stroke-width: 2.6;
    stroke-linecap: round;
  }
  .tag {
    fill: none;
    stroke: var(--ink-2);
    stroke-width: 1.6;
    stroke-dasharray: 2 5;
  }
  .tag.laid {
    fill: var(--card);
    stroke-width: 2;
    stroke-dasharray: none;
  }
  .tag.next,
  .due {
    fill: var(--leaf-tint);
    stroke: var(--leaf);
    stroke-width: 2.4;
    stroke-dasharray: 6 4;
  }
  .due {
    fill: none;
    stroke: var(--ink-2);
    stroke-width: 1.6;
  }
  .flat {
    fill: var(--hundreds-ink);
    stroke: var(--hundreds);
    stroke-width: 3;
  }
  .off {
    opacity: 0.3;
  }
</style>

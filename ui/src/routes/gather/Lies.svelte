<script lang="ts">
  // How the mat lies, seen from the guide: the trays before the children, the
  // room to push together behind, the store at the side. Turned, not mirrored,
  // it is what the children see.
  let {
    trays,
    places,
    store,
    bank,
    children,
    turned,
  }: {
    trays: string[];
    places: string[];
    store: boolean; // pieces are fetched from it
    bank: string; // what the class calls it
    children: string[];
    turned: boolean;
  } = $props();

  /** Many trays have their number alone. */
  const FEW = 4;
  const short = (name: string): string =>
    trays.length > FEW ? (name.split(' ').at(-1) ?? name) : name;

  const W = 700;
  const H = 236;
  const RUG = { x: 120, y: 40, w: 460, h: 156 };
  const pitch = $derived(300 / Math.max(1, places.length));
  const seats = $derived(
    children.map((name, i) => ({
      name,
      x: RUG.x + (RUG.w / children.length) * (i + 0.5) - 4 * (name.length + 1),
    })),
  );
  /** Words stay readable where the picture is small. */
  let w = $state(W);
  let h = $state(H);
  const scale = $derived(Math.max(0.3, Math.min(w / W, h / H)));
  const half = $derived((RUG.w - 36) / trays.length);
  const upright = (x: number, y: number): string => (turned ? `rotate(180 ${x} ${y})` : '');
</script>

<div bind:clientWidth={w} bind:clientHeight={h}>
  <svg
    style:--letter="{Math.max(16, 14.2 / scale)}px"
    viewBox="0 0 {W} {H}"
    role="img"
    aria-label="The mat as {turned ? 'the children' : 'you'} see it"
  >
    <g transform={turned ? `rotate(180 ${W / 2} ${H / 2})` : undefined}>
      <rect
        x={RUG.x}
        y={RUG.y}
        width={RUG.w}
        height={RUG.h}
        fill="var(--rug)"
        stroke="var(--tray)"
        stroke-width="1.6"
      />
      {#each { length: 20 }, i (i)}
        <path
          d="M{RUG.x - 9} {RUG.y + 4 + i * 7.8}h9M{RUG.x + RUG.w} {RUG.y + 4 + i * 7.8}h9"
          stroke="var(--tray)"
          stroke-width="1.3"
        />
      {/each}
      {#each places as place, i (place)}
        <rect
          x={RUG.x + 18 + i * pitch}
          y={RUG.y + 12}
          width={pitch - 4}
          height="62"
          rx="4"
          fill="var(--{place}-tint)"
          stroke="var(--{place})"
        />
        <use
          href="#mark-{place}"
          transform="translate({RUG.x + 18 + i * pitch + pitch / 2 - 10} {RUG.y + 33}) scale(1.2)"
        />
      {/each}
      {#if store}
        <rect
          x={RUG.x + 336}
          y={RUG.y + 12}
          width="106"
          height="62"
          rx="10"
          fill="var(--sheet)"
          stroke="var(--edge)"
          stroke-width="1.6"
        />
        <text
          x={RUG.x + 389}
          y={RUG.y + 49}
          text-anchor="middle"
          transform={upright(RUG.x + 389, RUG.y + 43)}>{bank}</text
        >
      {/if}
      {#each trays as name, i (i)}
        <rect
          x={RUG.x + 18 + i * half}
          y={RUG.y + 86}
          width={half - 8}
          height="58"
          rx="10"
          fill="var(--sheet)"
          stroke="var(--edge)"
          stroke-width="1.6"
        />
        <text
          class="n"
          class:long={trays.length > FEW || name.length > 6}
          class:longest={trays.length > 2 * FEW}
          x={RUG.x + 14 + i * half + half / 2}
          y={RUG.y + 123}
          text-anchor="middle"
          transform={upright(RUG.x + 14 + i * half + half / 2, RUG.y + 115)}>{short(name)}</text
        >
      {/each}
      <circle cx={W / 2} cy="18" r="13" fill="var(--leaf)" />
      <text x={W / 2 + 44} y="23" text-anchor="middle" transform={upright(W / 2 + 44, 18)}>you</text
      >
      {#each seats as seat, i (seat.name)}
        <circle
          cx={seat.x}
          cy="214"
          r="14"
          fill="var(--paper)"
          stroke="var(--leaf)"
          stroke-width="2.4"
        />
        <text class="b" x={seat.x} y="219" text-anchor="middle" transform={upright(seat.x, 214)}
          >{i + 1}</text
        >
        {@const middle = seat.x + 22 + seat.name.length * 4}
        <text
          x={middle}
          y="219"
          text-anchor="middle"
          transform={upright(middle, 214)}
          class="private">{seat.name}</text
        >
      {/each}
    </g>
  </svg>
</div>

<style>
  div {
    flex: 1;
    min-height: 0;
  }
  svg {
    overflow: visible;
    width: 100%;
    height: 100%;
  }
  text {
    font: 400 var(--letter) var(--text);
    fill: var(--ink);
  }
  .n {
    font: 700 max(24px, var(--letter)) var(--kid);
  }
  .n.long {
    font-size: max(18px, var(--letter));
  }
  .n.longest {
    font-size: var(--letter);
  }
  .b {
    font-weight: 700;
  }
</style>

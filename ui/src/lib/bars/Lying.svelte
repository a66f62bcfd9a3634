<script lang="ts">
  // A bar or rod that lies by itself, for lists and shelves; upright where that is asked for,
  // and dashed where it is out.
  import Bar from './Bar.svelte';

  let {
    n,
    kind = 'stair',
    u,
    upright = false,
    out = '',
    cased = true,
  }: {
    n: number;
    kind?: 'stair' | 'remainder' | 'golden';
    u: number;
    upright?: boolean;
    out?: string; // the colour of the dashes of one that is out
    cased?: boolean;
  } = $props();

  const long = $derived(n * u + 0.4 * u);
  const wide = $derived(1.3 * u);
</script>

<svg width={upright ? wide : long} height={upright ? long : wide} aria-hidden="true">
  <g
    transform={upright
      ? `translate(${wide / 2} ${long - 0.2 * u}) rotate(-90)`
      : `translate(${0.2 * u} ${wide / 2})`}
  >
    {#if out}
      <rect
        x={-0.1 * u}
        y={-0.5 * u}
        width={n * u + 0.2 * u}
        height={u}
        rx={0.5 * u}
        fill="none"
        stroke={out}
        stroke-width="1.4"
        stroke-dasharray="4 3"
      />
    {:else}<Bar {n} {kind} {u} {cased} eyes={false} />{/if}
  </g>
</svg>

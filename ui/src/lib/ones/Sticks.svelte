<script lang="ts">
  // Sticks, ten of them bound together: bundles in fives, then loose ones.
  let {
    tens,
    ones,
    width,
    height,
    looked = '',
  }: {
    tens: number;
    ones: number;
    width: number;
    height: number;
    looked?: '' | 'tens' | 'ones';
  } = $props();

  const BUNDLE = 2.5; // wide
  const LONG = 9;
  const ROW = 10.4;
  const wide = $derived(Math.min(5, tens) * BUNDLE + (tens ? 1.2 : 0) + ones * 0.9 + 0.6);
  const rows = $derived(tens > 5 ? 2 : 1);
  const tall = $derived(rows * ROW);
  const unit = $derived(Math.min(width / Math.max(wide, 6), height / tall, 40));
  const at = $derived(Math.min(5, tens) * BUNDLE + (tens ? 1.2 : 0) + 0.3);
</script>

<svg
  width={wide * unit}
  height={tall * unit}
  viewBox="0 0 {wide} {tall}"
  role="img"
  aria-label="bundles of ten: {tens}, single sticks: {ones}"
  data-sticks={10 * tens + ones}
>
  {#if looked === 'tens' && tens}<rect
      class="looked"
      x="0.1"
      y="0.1"
      width={Math.min(5, tens) * BUNDLE}
      height={tall - 0.2}
      rx="0.6"
    />{/if}
  {#if looked === 'ones' && ones}<rect
      class="looked"
      x={at - 0.3}
      y="0.1"
      width={ones * 0.9 + 0.2}
      height={ROW - 0.2}
      rx="0.6"
    />{/if}
  {#each { length: tens }, i (i)}
    <g transform="translate({(i % 5) * BUNDLE + 0.3} {Math.floor(i / 5) * ROW + 0.7})">
      {#each { length: 10 }, k (k)}<path
          class="stick bound"
          d="M{0.12 + k * 0.19} 0.{k % 3}v{LONG - 0.2}"
        />{/each}
      <rect class="band" x="-0.05" y={LONG / 2 - 0.5} width="2.05" height="0.9" rx="0.3" />
    </g>
  {/each}
  {#each { length: ones }, i (i)}
    <path class="stick one" d="M{at + 0.2 + i * 0.9 + (i > 4 ? 0.1 : 0)} 0.7v{LONG}" />
  {/each}
</svg>

<style>
  .stick {
    stroke: #8a5a22;
    stroke-width: 0.32;
    stroke-linecap: round;
  }
  .stick.bound {
    stroke-width: 0.17;
  }
  .stick.one {
    stroke-width: 0.36;
  }
  .band {
    fill: var(--tens);
  }
  .looked {
    fill: var(--leaf-tint);
    stroke: var(--leaf);
    stroke-width: 0.1;
  }
</style>

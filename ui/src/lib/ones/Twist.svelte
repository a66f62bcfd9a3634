<script lang="ts">
  // Two cords between a teen number and its word: side by side, crossed where the word says
  // the ones first, looped where a part is changed, bound where no part can be heard.
  let { cord, width = 44 }: { cord: string; width?: number } = $props();
</script>

<svg {width} height={width / 2.6} viewBox="0 0 44 17" aria-hidden="true">
  {#if cord === 'bound'}
    <path class="tens" d="M0 4C10 4 14 7 22 7s12-3 22-3" /><path
      class="ones"
      d="M0 13c10 0 14-3 22-3s12 3 22 3"
    />
    <path class="tie" d="M19 3v11M22 3v11M25 3v11" />
  {:else if cord === 'straight'}
    <path class="tens" d="M0 5H44" /><path class="ones" d="M0 12H44" />
  {:else}
    <path class="ones" d="M0 13C16 13 28 4 44 4" />
    <path class="ground" d="M0 4c16 0 28 9 44 9" /><path class="tens" d="M0 4c16 0 28 9 44 9" />
    {#if cord === 'looped'}<path class="ones loop" d="M17 12c4-10 16-11 16-4s-12 6-9-2" />{/if}
  {/if}
</svg>

<style>
  path {
    fill: none;
    stroke-width: 3;
    stroke-linecap: round;
  }
  .tens {
    stroke: var(--tens);
  }
  .ones {
    stroke: var(--ones);
  }
  .loop {
    stroke-width: 2.4;
  }
  .ground {
    stroke: var(--paper);
    stroke-width: 5;
  }
  .tie {
    stroke: var(--ink);
    stroke-width: 2;
  }
</style>

<script lang="ts">
  // Strokes of a cord: each strand has an edge in the ink of its place.
  import type { Stroke } from './cord';

  let { strokes, ground = 'var(--paper)' }: { strokes: Stroke[]; ground?: string } = $props();
</script>

{#each strokes as s, i (i)}
  {#if s.dash}
    <path
      d={s.d}
      fill="none"
      stroke="var(--{s.place}-ink)"
      stroke-width={s.width}
      stroke-linecap="round"
      stroke-dasharray={s.dash === 'none' ? undefined : s.dash}
    />
  {:else}
    {#if s.gap}<path d={s.d} fill="none" stroke={ground} stroke-width={s.width * 1.4} />{/if}
    <path
      d={s.d}
      fill="none"
      stroke="var(--{s.place}-ink)"
      stroke-width={s.width}
      stroke-linecap="round"
    />
    <path
      d={s.d}
      fill="none"
      stroke={s.hollow ? ground : `var(--${s.place})`}
      stroke-width={s.width * 0.56}
      stroke-linecap="round"
    />
  {/if}
{/each}

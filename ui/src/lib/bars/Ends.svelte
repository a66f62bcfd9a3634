<script lang="ts">
  // The head or the tail of a snake at a unit of 1: the head's neck ends at 0 and looks left,
  // the tail begins at 0 and goes right.
  let { tail = false }: { tail?: boolean } = $props();
</script>

{#if tail}
  <path
    d="M0 -.34C.6 -.34 .95 -.1 1.35 -.26C1.05 .22 .6 .34 0 .34Z"
    class="skin"
    stroke-width=".08"
  />
{:else}
  <path
    d="M-1.62 .02H-2.02L-2.24 -.14M-2.02 .02L-2.24 .18"
    stroke="var(--clay)"
    stroke-width=".09"
    fill="none"
    stroke-linecap="round"
  />
  <path
    d="M.02 -.3C-.3 -.34 -.42 -.62 -.86 -.62C-1.36 -.62 -1.72 -.3 -1.72 0C-1.72 .3 -1.36 .62 -.86 .62C-.42 .62 -.3 .34 .02 .3Z"
    class="skin"
    stroke-width=".08"
  />
  <circle cx="-1.08" cy="-.24" r=".13" fill="var(--ink)" />
  <circle cx="-1.08" cy=".24" r=".13" fill="var(--ink)" />
  <path
    d="M-.62 -.34L-.36 0L-.62 .34M-.34 -.2L-.18 0L-.34 .2"
    stroke="var(--wood)"
    stroke-width=".08"
    fill="none"
  />
{/if}

<style>
  .skin {
    fill: #d9cfa9;
    stroke: var(--ink);
    stroke-linejoin: round;
  }
</style>

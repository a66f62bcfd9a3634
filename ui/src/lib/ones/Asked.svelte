<script lang="ts">
  // How a number is answered, as a small sign: a mouth, a pencil, pieces to be laid.
  let { answered, size = 40 }: { answered: string; size?: number } = $props();
</script>

<svg width={size} height={size} viewBox="0 0 40 40" aria-hidden="true">
  {#if answered === 'say' || answered === 'count-on'}
    <path d="M6 20c4-6 9-6 11-4 2-2 7-2 11 4-5 7-17 7-22 0zM6 20h22" />
    <path d="M31 14c2 3 2 9 0 12M35 11c3 5 3 13 0 18" />
  {:else if answered === 'write' || answered === 'count-back'}
    <path d="M12 26l2-7L26 7l5 5-12 12zM10 33h20" />
  {:else if answered === 'lay'}
    <path class="dash" d="M6 10h28M6 18h28" /><circle class="dash" cx="12" cy="29" r="4" /><circle
      class="dash"
      cx="24"
      cy="29"
      r="4"
    />
  {:else if answered === 'cards'}
    <path d="M3 12h34v17H3z" /><path class="leaf" d="M18 12v17M28 12v17" />
  {:else if answered === 'fill'}
    <path d="M4 10h32v20H4zM4 20h32M10.400 10v20M16.800 10v20M23.200 10v20M29.600 10v20" />
  {:else if answered === 'ring'}
    <ellipse class="dash leaf" cx="20" cy="20" rx="16" ry="12" /><circle
      cx="14"
      cy="18"
      r="2.500"
    /><circle cx="22" cy="15" r="2.500" /><circle cx="25" cy="23" r="2.500" />
  {:else if answered === 'draw'}
    <path d="M9 8v24M17 8v24" /><circle class="dot" cx="26" cy="14" r="2.400" /><circle
      class="dot"
      cx="26"
      cy="24"
      r="2.400"
    /><circle class="dot" cx="33" cy="14" r="2.400" />
  {:else if answered === 'match'}
    <path d="M4 6h12v10H4zM4 24h12v10H4z" /><path
      class="leaf"
      d="M24 6h12v10H24zM24 24h12v10H24z"
    /><path class="dash" d="M16 11L24 29M16 29l8-18" />
  {:else if answered === 'pick'}
    <path d="M4 6h14v12H4zM22 6h14v12H22zM4 22h14v12H4z" /><path
      class="leaf"
      d="M22 22h14v12H22z"
    />
  {:else if answered === 'to-ten'}
    <path d="M4 12h32v16H4zM4 20h32M10.400 12v16M16.800 12v16M23.200 12v16M29.600 12v16" /><circle
      class="dash leaf"
      cx="26.400"
      cy="24"
      r="2.600"
    /><circle class="dash leaf" cx="32.800" cy="24" r="2.600" />
  {:else if answered === 'rename'}
    <path d="M9 8v24" /><path class="leaf" d="M16 20h10M22 16l4 4-4 4" />
    {#each [10, 16, 22, 28] as y (y)}<circle class="dot" cx="31" cy={y + 1} r="2" />{/each}
  {:else if answered === 'sign'}
    <path d="M26 10L12 20l14 10" />
  {:else if answered === 'decides'}
    <path class="dash" d="M5 8h8v24H5zM27 8h8v24h-8z" /><path class="leaf" d="M16 8h8v24h-8z" />
  {:else if answered === 'order'}
    <path d="M6 32v-8h8v8zM16 32V17h8v15zM26 32V9h8v23z" />
  {:else if answered === 'join'}
    <path d="M4 8h13v9H4zM4 23h13v9H4z" /><path class="leaf" d="M28 13v14M21 20h14" />
  {:else}
    <path d="M5 9h16v22H5z" /><path class="dash" d="M25 9h10v22H25z" />
  {/if}
</svg>

<style>
  svg {
    flex: none;
  }
  * {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.8;
    stroke-linecap: round;
    stroke-linejoin: round;
  }
  .dash {
    stroke-dasharray: 3 3;
  }
  .leaf {
    stroke: var(--leaf);
  }
  .dot {
    fill: var(--ink);
  }
</style>

<script lang="ts">
  // A small picture for each kind of opener.
  let { kind }: { kind: string } = $props();
</script>

<svg width="44" height="32" viewBox="0 0 44 32" aria-hidden="true">
  {#if kind === 'flash'}
    {#each [0, 1, 2] as r (r)}{#each [0, 1, 2, 3, 4, 5] as c (c)}<circle
          class="bead"
          class:light={c > 2}
          cx={6 + c * 6.2}
          cy={7 + r * 9}
          r="2.9"
        />{/each}{/each}
  {:else if kind === 'fingers'}
    <path
      class="hand"
      d="M8 30V15a2 2 0 0 1 4 0V6a2 2 0 0 1 4 0V4a2 2 0 0 1 4 0v2a2 2 0 0 1 4 0v6a2 2 0 0 1 4 0v10q0 8 -8 8z"
    />
    <path class="line" d="M12 15v6M16 8v12M20 8v12M24 12v8" />
  {:else if kind === 'show-me' || kind === 'count-by'}
    <path class="line" d="M3 8H41M3 17H41M3 26H41" />
    {#each kind === 'show-me' ? [5, 3, 0] : [5, 5, 2] as n, r (r)}{#each { length: n }, c (c)}<circle
          class="bead"
          cx={6 + c * 5.6}
          cy={8 + r * 9}
          r="2.7"
        />{/each}{/each}
  {:else if kind === 'riddle'}
    <path class="tens" d="M7 5v22M14 5v22" />
    {#each [0, 1, 2, 3, 4, 5] as c (c)}<circle
        class="one"
        cx={22 + (c % 3) * 6}
        cy={20 + Math.floor(c / 3) * 6}
        r="2.2"
      />{/each}
    <path class="ask" d="M26 6q0 -4 4 -4t4 4q0 3 -4 4v2M30 15.4v.2" />
  {:else if kind === 'how-many'}
    <path class="tens" d="M6 5v22M13 5v22M20 5v22M27 5v22" /><path
      class="ask"
      d="M34 10q0 -4 4 -4t4 4q0 3 -4 4v2M38 20.4v.2"
    />
  {:else if kind === 'expanded'}
    <rect class="card" x="2" y="8" width="20" height="16" rx="2" />
    <path class="plus" d="M24 16h6M27 13v6" />
    <rect class="card" x="32" y="8" width="10" height="16" rx="2" />
  {:else if kind === 'head'}
    <path
      class="hand"
      d="M14 30v-6q-5 -4 -5 -10q0 -11 12 -11q11 0 11 10q0 3 2 6q1 2 -2 2v3q0 3 -4 3h-3v3z"
    />
    <path class="plus" d="M17 14h8M21 10v8" />
  {:else if kind === 'spot-slip'}
    <rect class="card" x="3" y="5" width="11" height="22" rx="2" />
    <rect
      class="card off"
      x="16"
      y="4"
      width="12"
      height="23"
      rx="2"
      transform="rotate(-6 22 16)"
    />
    <rect class="card" x="30" y="5" width="11" height="22" rx="2" />
  {:else}
    <rect class="card" x="9" y="4" width="30" height="20" rx="2" />
    <rect class="card" x="5" y="8" width="30" height="20" rx="2" />
    <path class="line" d="M10 15h20M10 21h14" />
  {/if}
</svg>

<style>
  .bead {
    fill: var(--rack-1);
    stroke: var(--ink);
    stroke-width: 0.6;
  }
  .bead.light {
    fill: var(--rack-2);
  }
  .one {
    fill: var(--ones);
    stroke: var(--ones-ink);
  }
  .tens {
    stroke: var(--tens-ink);
    stroke-width: 3;
    stroke-linecap: round;
  }
  .line {
    fill: none;
    stroke: var(--edge);
    stroke-width: 1.3;
  }
  .hand {
    fill: var(--leaf-tint);
    stroke: var(--ink);
    stroke-width: 1.4;
    stroke-linejoin: round;
  }
  .card {
    fill: var(--sheet);
    stroke: var(--edge);
    stroke-width: 1.5;
  }
  .card.off {
    stroke: var(--clay);
    stroke-width: 2;
  }
  .ask,
  .plus {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2;
    stroke-linecap: round;
  }
</style>

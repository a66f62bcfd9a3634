<script lang="ts">
  // A small page for each kind of sheet.
  let { kind }: { kind: string } = $props();
  const ROWS = [0, 1, 2, 3];
</script>

<svg width="34" height="40" viewBox="0 0 34 40" aria-hidden="true">
  <path
    d="M3 1.5h22l7 7v30H3z"
    fill="var(--card)"
    stroke="var(--edge)"
    stroke-width="1.5"
    stroke-linejoin="round"
  />
  <path d="M25 1.5v7h7" fill="none" stroke="var(--edge)" stroke-width="1.5" />
  <g fill="none" stroke="var(--ink)" stroke-width="1.3" stroke-linecap="round">
    {#if kind === 'column'}
      <path d="M9 13h6M9 17h6M8 21h8M19 13h6M19 17h6M18 21h8" />
      <rect x="9" y="25" width="6" height="7" rx="1" />
      <rect x="19" y="25" width="6" height="7" rx="1" />
    {:else if kind === 'lying'}
      {#each ROWS as r (r)}<path d="M8 {13 + 6 * r}h9M19 {13 + 6 * r}h7" />{/each}
    {:else if kind === 'ring-tens'}
      <circle cx="15" cy="20" r="7" stroke="var(--leaf)" />
      <g fill="var(--straw)" stroke="none">
        <circle cx="12" cy="18" r="1.5" /><circle cx="16" cy="17" r="1.5" />
        <circle cx="18" cy="21" r="1.5" /><circle cx="13" cy="23" r="1.5" />
        <circle cx="25" cy="28" r="1.5" /><circle cx="20" cy="32" r="1.5" />
      </g>
    {:else if kind === 'drawn-tens'}
      <path d="M9 13v14M13 13v14M17 13v14" stroke="var(--tens-ink)" stroke-width="2" />
      <g fill="var(--ones-ink)" stroke="none">
        <circle cx="22" cy="14" r="1.5" /><circle cx="26" cy="14" r="1.5" />
      </g>
      <path d="M8 33h18" />
    {:else if kind === 'tens-ones'}
      <rect x="8" y="14" width="7" height="8" rx="1" /><rect
        x="19"
        y="14"
        width="7"
        height="8"
        rx="1"
      />
      <path d="M9 27h5M20 27h5" />
    {:else if kind === 'frames'}
      <rect x="8" y="13" width="18" height="8" /><path d="M8 17h18M14 13v8M20 13v8" />
      <rect x="8" y="25" width="18" height="8" /><path d="M8 29h18M14 25v8M20 25v8" />
    {:else if kind === 'teens'}
      <g fill="var(--leaf)" stroke="none">
        <circle cx="10" cy="15" r="2" /><circle cx="15" cy="15" r="2" /><circle
          cx="20"
          cy="15"
          r="2"
        />
      </g>
      <g><circle cx="10" cy="22" r="2" /><circle cx="15" cy="22" r="2" /></g>
      <path d="M8 31h14" />
    {:else if kind === 'match'}
      <path d="M11 14l12 8M11 22l12 8M11 30l12-16" />
      <g fill="var(--straw)" stroke="none">
        <circle cx="9" cy="14" r="2" /><circle cx="9" cy="22" r="2" /><circle
          cx="9"
          cy="30"
          r="2"
        />
      </g>
    {:else if kind === 'ring-picture'}
      <rect x="8" y="13" width="7" height="7" /><rect x="19" y="13" width="7" height="7" />
      <rect x="8" y="26" width="7" height="7" /><rect x="19" y="26" width="7" height="7" />
      <circle cx="22.5" cy="16.5" r="6" stroke="var(--leaf)" />
    {:else if kind === 'minute'}
      <circle cx="17" cy="24" r="8" /><path d="M17 24v-5M15 13h4" />
    {:else if kind === 'cards'}
      <g stroke-dasharray="2 2">
        <rect x="8" y="14" width="8" height="8" /><rect x="18" y="14" width="8" height="8" />
        <rect x="8" y="26" width="18" height="8" />
      </g>
    {:else if kind === 'record'}
      <path d="M8 15h18M8 20h18M8 25h18M8 30h18M16 12v22" />
    {:else if kind === 'gather'}
      {#each ROWS.slice(0, 3) as r (r)}
        <rect x="8" y={13 + 7 * r} width="4" height="4" /><path d="M15 {15 + 7 * r}h11" />
      {/each}
    {:else}
      <rect x="8" y="13" width="8" height="6" rx="1" /><rect
        x="18"
        y="13"
        width="8"
        height="6"
        rx="1"
      />
      <rect x="8" y="22" width="8" height="6" rx="1" /><path d="M19 23h7M19 27h7M8 33h18" />
    {/if}
  </g>
</svg>

<svg width="22" height="18" viewBox="0 0 22 18" aria-hidden="true">
  <path
    d="M8 2L2 8L8 14M2.5 8H13a7 7 0 0 1 7 7"
    fill="none"
    stroke="currentColor"
    stroke-width="2"
    stroke-linecap="round"
    stroke-linejoin="round"
  />
</svg>

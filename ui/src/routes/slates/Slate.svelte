<script lang="ts">
  // One slate as it is held up: right ones are quiet, another answer is tilted and folded at
  // its corner, one that nobody read is a closed eye.
  let {
    text,
    mark = '',
    height = 66,
    explains = false,
    hidden = false,
  }: {
    text: string; // what is right, or what was typed
    mark?: string; // how it was; empty for right with the others
    height?: number; // px
    explains?: boolean;
    hidden?: boolean; // wrong answers are not to be seen on this screen
  } = $props();

  const wide = $derived(height * 1.48);
  const size = $derived(Math.min(height * 0.6, (wide * 1.55) / Math.max(2, text.length)));
  const off = $derived(mark === 'gave' && !hidden);
  const gone = $derived(mark === 'not-read');
  const shown = $derived(hidden && (mark === 'gave' || mark === 'unfinished') ? '' : text);
</script>

<svg
  width={wide}
  height={height + 10}
  viewBox="-4 -5 {wide + 8} {height + 10}"
  aria-hidden="true"
  class:off
  class:looked={mark === 'right' || explains}
  class:gone
>
  <g transform={off ? `rotate(-4 ${wide / 2} ${height / 2})` : ''}>
    {#if off}
      <path
        class="board"
        d="M3 0H{wide - 16}L{wide} 16V{height -
          3}a3 3 0 0 1 -3 3H3a3 3 0 0 1 -3 -3V3a3 3 0 0 1 3 -3z"
      />
      <path class="fold" d="M{wide - 16} 0V13a3 3 0 0 0 3 3H{wide}z" />
    {:else}
      <rect class="board" width={wide} {height} rx="4" />
    {/if}
    {#if gone}
      <path
        class="eye"
        d="M{wide / 2 - 15} {height / 2 - 3}q15 13 30 0M{wide / 2} {height / 2 + 6}v6M{wide / 2 -
          9} {height / 2 + 4}l-3 5M{wide / 2 + 9} {height / 2 + 4}l3 5"
      />
    {:else if mark === 'blank'}
      <path class="empty" d="M{wide / 2 - 14} {height / 2}h28" />
    {:else}
      <text x={wide / 2} y={height / 2 + size * 0.36} font-size={size}>{shown}</text>
      {#if mark === 'unfinished'}
        <path class="empty" d="M{wide * 0.62} {height * 0.72}h{wide * 0.26}" />
      {/if}
      {#if mark === 'mirrored'}
        <path class="thread" d="M{wide - 26} 8q10 -4 12 4t-7 5q-6 0 -3 -6q4 -6 12 0q4 6 -2 12" />
      {/if}
    {/if}
    {#if explains}
      <use href="#leaf" transform="translate({wide - 10} 8) rotate(-30) scale(.8)" />
    {/if}
  </g>
</svg>

<style>
  svg {
    overflow: visible;
  }
  .board {
    fill: var(--sheet);
    stroke: var(--edge);
    stroke-width: 1.4;
  }
  text {
    font-family: var(--kid);
    text-anchor: middle;
    fill: var(--ink-2);
  }
  .looked .board {
    stroke: var(--ink);
    stroke-width: 2.4;
  }
  .looked text {
    fill: var(--ink);
    font-weight: 700;
  }
  .off .board,
  .off .fold {
    stroke: var(--clay);
    stroke-width: 2.6;
    stroke-linejoin: round;
  }
  .fold {
    fill: var(--paper-2);
  }
  .off text {
    fill: var(--clay-ink);
    font-weight: 700;
  }
  .gone .board {
    fill: none;
    stroke-dasharray: 5 4;
  }
  .eye,
  .empty {
    fill: none;
    stroke: var(--ink-2);
    stroke-width: 2;
    stroke-linecap: round;
  }
  .empty {
    stroke-dasharray: 4 4;
  }
  .thread {
    fill: none;
    stroke: var(--clay);
    stroke-width: 1.8;
    stroke-linecap: round;
  }
</style>

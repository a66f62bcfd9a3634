<script lang="ts">
  // A problem as it is written, for lists: digits in their columns, the answer under
  // them; a division in one line.
  let {
    numbers,
    size = 44,
    cell = 32,
    sign = '+',
    result = '',
    right = '',
  }: {
    numbers: number[];
    size?: number;
    cell?: number;
    sign?: string;
    right?: string; // where the result is wrong: the digits that differ from it are marked
    result?: string; // nothing is written under the line without it
  } = $props();

  const lying = $derived(sign === '÷');
  const all = $derived([...numbers.map(String), ...(result ? [result] : [])]);
  const width = $derived(Math.max(...all.map((n) => n.length)));
  const rows = $derived(all.map((n) => n.padStart(width, ' ').split('')));
  /** Whether a digit of the result is not the one that is right. */
  const off = (row: string[], i: number): boolean =>
    right !== '' &&
    (row[i] !== right.padStart(width, ' ').slice(-width)[i] || (right.length > width && i === 0)); // what is missing before it
  const last = $derived(numbers.length - 1);
</script>

{#if lying}
  <span class="kid lying" style:font-size="{size}px" style:line-height="{size * 1.2}px">
    {numbers.join(` ${sign} `)}{result ? ` = ${result}` : ''}
  </span>
{:else}
  <span class="written kid" style:font-size="{size}px" style:line-height="{size * 0.9}px">
    {#each rows as row, r (r)}
      <span class="row" class:line={r === last} class:result={r > last}>
        <span class="sign" style:width="{cell}px">{r === last ? sign : ''}</span>
        {#each row as digit, i (i)}<span class:off={r > last && off(row, i)} style:width="{cell}px"
            >{digit}</span
          >{/each}
      </span>
    {/each}
  </span>
{/if}

<style>
  .written {
    display: inline-block;
  }
  .lying {
    display: inline-block;
    white-space: nowrap;
  }
  .row {
    display: flex;
  }
  .row span {
    text-align: center;
  }
  .row.line {
    border-bottom: 2px solid var(--ink);
    padding-bottom: 2px;
  }
  .row.result {
    padding-top: 6px;
    font-weight: 700;
  }
  .row .off {
    color: var(--clay-ink);
    box-shadow: inset 0 -3px var(--clay);
  }
  .row .sign {
    color: var(--ink-2);
  }
</style>

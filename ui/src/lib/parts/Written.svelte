<script lang="ts">
  // A sum or a difference as it is written, for lists: digits in their columns.
  let {
    numbers,
    size = 44,
    cell = 32,
    sign = '+',
  }: { numbers: number[]; size?: number; cell?: number; sign?: string } = $props();

  const width = $derived(Math.max(...numbers.map((n) => String(n).length)));
  const rows = $derived(numbers.map((n) => String(n).padStart(width, ' ').split('')));
</script>

<span class="written kid" style:font-size="{size}px" style:line-height="{size * 0.9}px">
  {#each rows as row, r (r)}
    <span class="row">
      <span class="sign" style:width="{cell}px">{r === rows.length - 1 ? sign : ''}</span>
      {#each row as digit, i (i)}<span style:width="{cell}px">{digit}</span>{/each}
    </span>
  {/each}
</span>

<style>
  .written {
    display: inline-block;
    border-bottom: 2px solid var(--ink);
    padding-bottom: 2px;
  }
  .row {
    display: flex;
  }
  .row span {
    text-align: center;
  }
  .sign {
    color: var(--ink-2);
  }
</style>

<script lang="ts">
  // A question in the book: its word and figures, what a usual slip would answer, and who
  // needs its stage.
  import Twist from '../../lib/ones/Twist.svelte';
  import Word from '../../lib/ones/Word.svelte';
  import type { Learner, Sum } from '../../lib/wire.gen';

  let { sum, ready, wobbling }: { sum: Sum; ready: Learner[]; wobbling: Learner[] } = $props();
  const one = $derived(sum.one!);
  const FEW = 3;
  const names = (list: Learner[]): string => list.map((l) => l.name).join(', ');
</script>

<div class="paper">
  {#if one.rows.length}
    {#each one.rows as r (r.number)}
      <p class="digits kid bare">
        {#each r.digits as d (d.place)}<span style:color="var(--{d.place}-ink)">{d.digit}</span
          >{/each}
      </p>
    {/each}
  {:else}
    <p class="word" class:long={one.number > 100}><Word parts={one.parts} /></p>
    {#if one.number > 10 && one.number < 100}<Twist cord={one.cord} width={60} />{/if}
    <p class="digits kid" class:many={one.digits.length > 4}>
      {#each one.digits as d (d.place)}<span style:color="var(--{d.place}-ink)">{d.digit}</span
        >{/each}
    </p>
  {/if}
</div>
<h2>{one.question}</h2>
<p class="small">{sum.stage.name}</p>
{#if one.slips.length}
  <h2 class="next">Slips it would show</h2>
  <ul>
    {#each one.slips.slice(0, FEW) as s (s.answer + s.says)}
      <li><span class="slip kid">{s.answer}</span><span class="small ink">{s.says}</span></li>
    {/each}
  </ul>
{/if}
{#if ready.length || wobbling.length}
  <h2 class="next">Who needs it</h2>
  {#if ready.length}<p class="small ink"><b>ready</b> {names(ready)}</p>{/if}
  {#if wobbling.length}<p class="small ink"><b>wobbling</b> {names(wobbling)}</p>{/if}
{/if}

<style>
  .paper {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 14px;
    margin: 10px 0 12px;
    padding: 8px 10px;
    background:
      linear-gradient(var(--line) 1px, transparent 1px) 0 -1px / 40px 40px,
      linear-gradient(90deg, var(--line) 1px, transparent 1px) -1px 0 / 40px 40px,
      var(--paper);
  }
  .word {
    font-size: var(--t4);
    line-height: 38px;
  }
  .word :global(.word) {
    white-space: normal;
  }
  .digits {
    display: flex;
    gap: 6px;
    font-size: 34px;
    font-weight: 700;
    line-height: 40px;
  }
  .bare {
    flex-basis: 100%;
  }
  .many {
    font-size: 26px;
  }
  .digits.many span {
    padding: 0 6px;
  }
  .long {
    font-size: var(--t3);
    line-height: 30px;
  }
  .digits span {
    padding: 0 10px;
    border: 1.5px dashed var(--gap);
    border-radius: var(--r2);
  }
  .next {
    margin-top: var(--s3);
  }
  li {
    display: grid;
    grid-template-columns: minmax(52px, auto) 1fr;
    align-items: center;
    gap: 10px;
    margin-top: 6px;
  }
  .slip {
    padding: 1px 8px;
    border: 1.6px solid var(--clay);
    border-radius: 4px;
    background: var(--sheet);
    color: var(--clay-ink);
    font-size: 19px;
    text-align: center;
    transform: rotate(-2deg);
    white-space: nowrap;
  }
  .ink {
    color: var(--ink);
    line-height: 18px;
  }
</style>

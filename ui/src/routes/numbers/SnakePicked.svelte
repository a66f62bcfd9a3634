<script lang="ts">
  // A snake in the book: its bars as a sum, what it becomes, and how each ten ends.
  import Lying from '../../lib/bars/Lying.svelte';
  import TenLine from '../../lib/bars/TenLine.svelte';
  import type { Learner, Sum } from '../../lib/wire.gen';

  let { sum, ready, wobbling }: { sum: Sum; ready: Learner[]; wobbling: Learner[] } = $props();
  const snake = $derived(sum.snake!);
  const names = (list: Learner[]): string => list.map((l) => l.name).join(', ');
  const FEW = 6; // tens that are told
</script>

<p class="paper kid">{snake.bars.join(' + ')} = <b>{snake.total}</b></p>
<div class="becomes">
  {#each { length: snake.golden }, i (i)}<Lying n={10} kind="golden" u={5} upright />{/each}
  {#if snake.last}<Lying n={snake.last} kind="remainder" u={5} upright cased={false} />{/if}
  <p><span class="kid">{snake.words}</span><br /><span class="small">{snake.says}</span></p>
</div>
{#if snake.tens.length}
  <h2>At each ten</h2>
  <ul>
    {#each snake.tens.slice(0, FEW) as ten, i (ten.to)}<li><TenLine {snake} nth={i} /></li>{/each}
  </ul>
  {#if snake.tens.length > FEW}<p class="small">and {snake.tens.length - FEW} more</p>{/if}
{/if}
<h2>{sum.stage.name}</h2>
<p class="small">{sum.stage.asks}</p>
{#if ready.length || wobbling.length}
  <h2>Who needs it</h2>
  {#if ready.length}<p class="small"><b>ready</b> {names(ready)}</p>{/if}
  {#if wobbling.length}<p class="small"><b>wobbling</b> {names(wobbling)}</p>{/if}
{/if}

<style>
  .paper {
    margin: 8px 0;
    padding: 6px 8px;
    background:
      linear-gradient(var(--line) 1px, transparent 1px) 0 -1px / 24px 28px,
      var(--paper);
    font-size: 20px;
    line-height: 28px;
  }
  .becomes {
    display: flex;
    flex-wrap: wrap;
    align-items: flex-end;
    gap: 6px;
  }
  .becomes p {
    margin-left: 8px;
    line-height: 22px;
  }
  .becomes .kid {
    font-size: 20px;
  }
  h2 {
    margin: 10px 0 2px;
  }
  li {
    display: grid;
    grid-template-columns: 34px 92px 1fr;
    align-items: center;
    gap: 6px;
  }
</style>

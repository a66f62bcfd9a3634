<script lang="ts">
  // A chain or a question with number rods in the book: what is asked, and what is right.
  import { askedOf } from '../../lib/alone';
  import BarsRow from '../../lib/bars/BarsRow.svelte';
  import type { Learner, Sum } from '../../lib/wire.gen';

  let { sum, ready, wobbling }: { sum: Sum; ready: Learner[]; wobbling: Learner[] } = $props();
  const names = (list: Learner[]): string => list.map((l) => l.name).join(', ');
</script>

<div class="paper">
  <BarsRow {sum} width={240} most={14} />
  <p class="kid">{sum.said}</p>
</div>
<h2>{askedOf(sum)}</h2>
<p class="kid right">{sum.answer}</p>
{#if sum.chain?.folds}<p class="small">Then it is folded into a square.</p>{/if}
{#if sum.chain?.stacks}<p class="small">Then squares are folded, and stacked into a cube.</p>{/if}
<p class="small">It counts for: {sum.stage.name}</p>
{#if ready.length || wobbling.length}
  <h2>Who needs it</h2>
  {#if ready.length}<p class="small"><b>ready</b> {names(ready)}</p>{/if}
  {#if wobbling.length}<p class="small"><b>wobbling</b> {names(wobbling)}</p>{/if}
{/if}

<style>
  .paper {
    margin: 10px 0 12px;
    padding: 10px;
    background: var(--paper);
  }
  .paper p {
    margin-top: 8px;
    font-size: var(--t4);
  }
  .right {
    margin: 4px 0 8px;
    font-size: 34px;
    font-weight: 700;
    line-height: 42px;
  }
  h2 {
    margin-top: 8px;
  }
</style>

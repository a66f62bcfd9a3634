<script lang="ts">
  // A record that the server refused: it stays here with its reason until somebody
  // decides. Where two guides wrote the same child at once both are shown, and nothing is
  // lost whichever is kept.
  import Plain from '../../lib/parts/Plain.svelte';
  import { newId } from '../../lib/id';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import { outbox, type Piece } from '../../lib/outbox.svelte';
  import type { Records } from '../../lib/records.svelte';
  import type { Entry, Observe, Record as Page } from '../../lib/wire.gen';

  let {
    records,
    page,
    piece,
  }: { records: Records; page: Page; piece: Piece & { kind: 'record' } } = $props();

  const mine = $derived(piece.made);
  const twice = $derived(piece.refused?.status === 409 && piece.refused.field !== 'id');
  const theirs = $derived<Entry | undefined>(records.latest(mine.learner, mine.nth).entry);
  const name = $derived(page.children.find((c) => c.id === mine.learner)?.name ?? '');
  const helpName = (id: string): string => page.helps.find((h) => h.id === id)?.name ?? '';
  const again = (change: Partial<Observe>): void =>
    records.settle(piece, { ...mine, id: newId(), replaces: undefined, ...change });
</script>

<div
  class="conflict"
  role="group"
  aria-label={twice ? `${name} was recorded twice` : `${name} was not kept`}
>
  <Wrong trouble={piece.refused!} />
  {#if twice && theirs}
    <div class="both">
      <p>
        <span class="kid">{mine.answer || 'none'}</span><br /><b>you</b><br />{helpName(mine.help)}
      </p>
      <p>
        <span class="kid">{theirs.answer || 'none'}</span><br /><b>{theirs.by}</b><br
        />{theirs.helpSays},
        {theirs.at}
      </p>
    </div>
    <div class="acts">
      <Plain onclick={() => again({ anotherRun: true, runs: theirs.runs + 1 })}
        >Done twice: keep both</Plain
      >
      <Plain onclick={() => again({ replaces: theirs.id })}>Only mine</Plain>
      <Plain onclick={() => again({ anotherRun: true, withdrawn: true })}>Only {theirs.by}’s</Plain>
    </div>
    <p class="small">The one that is not kept stays in the list, crossed out.</p>
  {:else}
    <p>{piece.says}</p>
    <div class="acts">
      <Plain onclick={() => outbox.again(piece)}>Send it again</Plain>
      <Plain onclick={() => records.settle(piece)}>Discard it</Plain>
    </div>
  {/if}
</div>

<style>
  .conflict {
    margin: 0 -12px 8px;
    padding: 10px 12px;
    background: var(--sheet);
    border: 1.5px solid var(--clay);
    border-radius: var(--r2);
  }
  .both {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 8px;
    margin: 8px 0;
    font-size: var(--t1);
    line-height: 19px;
  }
  .both p {
    padding: 6px 8px;
    border: 1px solid var(--edge);
    border-radius: var(--r2);
  }
  .both .kid {
    font-size: 22px;
    line-height: 30px;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    margin-top: 6px;
  }
</style>

<script lang="ts">
  // What has not reached the server: what waits, and what was refused with its reason.
  import { link } from 'svelte-spa-router';
  import { outbox, type Piece } from '../outbox.svelte';
  import { shared, view } from '../state.svelte';
  import Dialog from './Dialog.svelte';
  import Plain from './Plain.svelte';
  import Wrong from './Wrong.svelte';

  let dialog = $state<Dialog>();
  export const open = (): void => dialog?.open();

  const says = (p: Piece): string => (p.kind === 'step' ? 'where a lesson stands' : p.says);
  const records = $derived(outbox.waiting.filter((p) => p.kind !== 'step'));
  const steps = $derived(outbox.waiting.length - records.length);
  const count = (n: number, one: string, many: string): string => (n === 1 ? one : `${n} ${many}`);

  function close(): void {
    outbox.erased = 0;
    dialog?.close();
  }
</script>

<Dialog bind:this={dialog} title="Not yet in the class’s records">
  <div class="all">
    {#if outbox.erased}
      <p class="part" role="status">
        {count(outbox.erased, 'One record', 'records')} of a child who was erased
        {outbox.erased === 1 ? 'was' : 'were'} taken off this device. Nothing is kept of the child.
      </p>
    {/if}
    {#each outbox.refused as p (p.key)}
      <div class="part">
        <b>{says(p)}</b>
        {#if p.refused}<Wrong trouble={p.refused} />{/if}
        <span class="row">
          <Plain onclick={() => outbox.again(p)}>Send it again</Plain>
          <Plain onclick={() => outbox.letGo(p)}>Discard it</Plain>
          {#if p.kind === 'round' && p.class === shared.desk?.class.id}
            <a href={view(`slates/${p.of}`)} use:link onclick={close}>Open the lesson</a>
          {/if}
          {#if p.kind === 'answers' && p.class === shared.desk?.class.id}
            <a href={view(`answers/${p.of}`)} use:link onclick={close}>Open the sheet</a>
          {/if}
          {#if p.kind === 'record' && p.class === shared.desk?.class.id}
            <a href={view(`record/${p.of}`)} use:link onclick={close}>Open the lesson</a>
          {/if}
        </span>
      </div>
    {/each}
    {#if outbox.waiting.length}
      <div class="part">
        <p>
          {outbox.kept
            ? 'Kept on this device and sent as soon as the server answers. Go on as you like.'
            : 'This device is full and cannot keep it: leave this page open until it is sent.'}
        </p>
        <ul>
          {#each records as p (p.key)}<li>{says(p)}</li>{/each}
          {#if steps}<li>{count(steps, 'step of a lesson', 'changes of lessons')}</li>{/if}
        </ul>
      </div>
    {:else if !outbox.refused.length}
      <p class="part">Everything is saved.</p>
    {/if}
  </div>
  <p class="part row">
    {#if outbox.waiting.length}<Plain onclick={() => outbox.now()}>Try now</Plain>{/if}
    <Plain onclick={close}>Close</Plain>
  </p>
</Dialog>

<style>
  /* The buttons below stay where they are while what waits is sent. */
  .all {
    min-height: 240px;
  }
  .part {
    margin-top: 12px;
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 12px;
    margin-top: 8px;
  }
  a {
    display: flex;
    align-items: center;
    min-height: 44px;
  }
  ul {
    max-height: 40vh;
    margin: 8px 0;
    overflow: auto;
  }
  li {
    padding: 6px 0;
    border-bottom: 1px dashed var(--edge);
  }
</style>

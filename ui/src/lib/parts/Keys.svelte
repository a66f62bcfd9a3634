<script lang="ts">
  // The keys of a view, and the switch that turns single keys off.
  import { setShortcuts, shared } from '../state.svelte';
  import Plain from './Plain.svelte';

  let { keys }: { keys: [string, string][] } = $props();
  let dialog = $state<HTMLDialogElement>();

  export function open(): void {
    dialog?.showModal();
  }
</script>

<dialog bind:this={dialog} aria-labelledby="keys-title">
  <h1 id="keys-title">Keys of this view</h1>
  <dl>
    {#each keys as [key, does] (key)}
      <div>
        <dt>{key}</dt>
        <dd>{does}</dd>
      </div>
    {/each}
  </dl>
  <label>
    <input
      type="checkbox"
      checked={shared.shortcuts}
      onchange={(e) => setShortcuts(e.currentTarget.checked)}
    />
    single keys act
  </label>
  <Plain onclick={() => dialog?.close()}>Close</Plain>
</dialog>

<style>
  dialog {
    margin: auto;
    padding: var(--s5);
    width: min(420px, 90vw);
    border: 1px solid var(--edge);
    border-radius: var(--r3);
    background: var(--paper);
    color: var(--ink);
  }
  dialog::backdrop {
    background: rgb(31 42 36 / 35%);
  }
  dl {
    margin: var(--s4) 0;
  }
  dl div {
    display: grid;
    grid-template-columns: 130px 1fr;
    gap: var(--s3);
    padding: 6px 0;
    border-top: 1px solid var(--line);
  }
  dt {
    font-weight: 650;
  }
  label {
    display: flex;
    align-items: center;
    gap: var(--s3);
    min-height: 44px;
  }
  input {
    width: 20px;
    height: 20px;
    accent-color: var(--leaf);
  }
</style>

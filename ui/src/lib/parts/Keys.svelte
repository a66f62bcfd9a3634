<script lang="ts">
  // The keys of a view, and the switch that turns single keys off.
  import { setShortcuts, shared } from '../state.svelte';
  import Dialog from './Dialog.svelte';
  import Plain from './Plain.svelte';

  let { keys }: { keys: [string, string][] } = $props();
  let dialog = $state<Dialog>();

  export function open(): void {
    dialog?.open();
  }
</script>

<Dialog bind:this={dialog} title="Keys on this page">
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
    use single keys
  </label>
  <Plain onclick={() => dialog?.close()}>Close</Plain>
</Dialog>

<style>
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

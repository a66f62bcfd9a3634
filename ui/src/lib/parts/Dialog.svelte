<script lang="ts">
  // A sheet over the view: the keys of a view, and the one question that is asked.
  import type { Snippet } from 'svelte';

  let { title, children }: { title: string; children: Snippet } = $props();

  const id = $props.id();
  let dialog = $state<HTMLDialogElement>();

  export function open(): void {
    dialog?.showModal();
  }
  export function close(): void {
    dialog?.close();
  }
</script>

<dialog bind:this={dialog} aria-labelledby="{id}-title">
  <h1 id="{id}-title">{title}</h1>
  {@render children()}
</dialog>

<style>
  dialog {
    margin: auto;
    padding: var(--s5);
    width: min(440px, 90vw);
    border: 1px solid var(--edge);
    border-radius: var(--r3);
    background: var(--paper);
    color: var(--ink);
  }
  dialog::backdrop {
    background: rgb(31 42 36 / 35%);
  }
</style>

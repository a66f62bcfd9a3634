<script lang="ts">
  // A button beside the next action: outlined, dashed where it cannot act.
  import type { Snippet } from 'svelte';

  let {
    children,
    onclick,
    disabled = false,
    pressed,
    type = 'button',
  }: {
    children: Snippet;
    onclick?: () => void;
    disabled?: boolean;
    pressed?: boolean;
    type?: 'button' | 'submit';
  } = $props();
</script>

<button {type} {disabled} aria-pressed={pressed} {onclick}>{@render children()}</button>

<style>
  button {
    min-height: 44px;
    padding: 0 var(--s3);
    border: 1.5px solid var(--leaf);
    border-radius: var(--r2);
    background: var(--paper);
    color: var(--leaf);
    font-weight: 600;
    white-space: nowrap;
  }
  button:hover {
    background: var(--leaf-tint);
  }
  button:disabled {
    border-style: dashed;
    border-color: var(--ink-2);
    color: var(--ink-2);
    background: none;
  }
</style>

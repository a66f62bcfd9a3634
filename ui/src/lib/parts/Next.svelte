<script lang="ts">
  // The next action: the largest button of a view, with its key.
  import { shared } from '../state.svelte';

  let {
    label,
    key = '',
    disabled = false,
    onclick,
    type = 'button',
  }: {
    label: string;
    key?: string;
    disabled?: boolean;
    onclick?: () => void;
    type?: 'button' | 'submit';
  } = $props();
</script>

<button class="next" {type} {disabled} {onclick} data-next>
  <span class="label">{label}</span>
  {#if key && shared.signs}<span class="key" aria-hidden="true">{key}</span>{/if}
</button>

<style>
  .next {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: var(--s3);
    width: 100%;
    min-height: 64px;
    padding: var(--s2) var(--s4);
    border-radius: var(--r2);
    background: var(--leaf);
    color: var(--on-leaf);
    forced-color-adjust: none;
    font-size: var(--t3);
    font-weight: 650;
    line-height: 24px;
  }
  .next:hover {
    background: var(--leaf-deep);
  }
  .next:disabled {
    background: none;
    border: 1.5px dashed var(--ink-2);
    color: var(--ink-2);
  }
  @media (max-height: 500px) {
    .next {
      min-height: 48px;
      padding: 4px 12px;
      font-size: var(--t2);
      line-height: 20px;
    }
    .key {
      display: none;
    }
  }
  .key {
    font-size: var(--t1);
    font-weight: 500;
    border: 1.5px solid currentcolor;
    border-top: 0;
    border-radius: 0 0 var(--r2) var(--r2);
    padding: 0 8px 1px;
    line-height: 18px;
  }
</style>

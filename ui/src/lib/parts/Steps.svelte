<script lang="ts">
  // The way back, beside the next action.
  import BackArrow from './BackArrow.svelte';
  import Next from './Next.svelte';

  let {
    label,
    key = '',
    first,
    onback,
    onnext,
  }: {
    label: string;
    key?: string;
    first: boolean;
    onback: () => void;
    onnext: () => void;
  } = $props();
</script>

<div class="steps">
  <button class="back" disabled={first} onclick={onback} aria-label="Back">
    <BackArrow />
    Back
  </button>
  <Next {label} {key} onclick={onnext} />
</div>

<style>
  .steps {
    display: grid;
    grid-template-columns: 72px 1fr;
    gap: var(--s2);
  }
  .back {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    gap: 4px;
    min-height: 64px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--paper);
  }
  .back:hover:not(:disabled) {
    border-color: var(--leaf);
  }
  .back:disabled {
    border-style: dashed;
    color: var(--ink-2);
  }
  @media (max-width: 700px) and (max-height: 500px) {
    .steps {
      flex: 3;
      grid-template-columns: 60px 1fr;
    }
  }
</style>

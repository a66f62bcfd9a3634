<script lang="ts">
  // One of a few sides is chosen: buttons that stand in a row, the chosen one
  // marked by more than its colour.
  let {
    sides,
    now,
    onset,
    label,
    labelledby,
  }: {
    sides: { value: string; name: string }[];
    now: string;
    onset: (value: string) => void;
    label?: string;
    labelledby?: string; // the id of the text that names them
  } = $props();
</script>

<div class="sides" role="radiogroup" aria-label={label} aria-labelledby={labelledby}>
  {#each sides as side (side.value)}
    <button role="radio" aria-checked={now === side.value} onclick={() => onset(side.value)}
      >{side.name}</button
    >
  {/each}
</div>

<style>
  .sides {
    display: flex;
  }
  @media (max-width: 700px) {
    .sides {
      flex-wrap: wrap;
    }
  }
  button {
    flex: 1 1 auto;
    min-width: 44px;
    min-height: 44px;
    padding: 0 var(--pad, 8px);
    border: 1.5px solid var(--edge);
    border-left-width: 0;
    background: var(--paper);
    text-align: center;
    font-size: 15px;
    line-height: 17px;
  }
  button:first-child {
    border-left-width: 1.5px;
    border-radius: var(--r2) 0 0 var(--r2);
  }
  button:last-child {
    border-radius: 0 var(--r2) var(--r2) 0;
  }
  button[aria-checked='true'] {
    background: var(--leaf-tint);
    font-weight: 650;
    box-shadow: inset 0 -3px 0 var(--leaf);
  }
</style>

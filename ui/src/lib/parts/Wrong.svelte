<script lang="ts">
  // What is wrong and what to do, beside what caused it.
  import type { Trouble } from '../wire.gen';

  let { trouble, id }: { trouble: Trouble; id?: string } = $props();
</script>

<p class="wrong" {id} role="alert">
  <strong>{trouble.title}{trouble.title.endsWith('.') ? '' : '.'}</strong>
  {trouble.detail ?? ''}
  {trouble.remedy ?? ''}
</p>

<style>
  .wrong {
    font-size: var(--t1);
    line-height: 19px;
  }
  strong {
    color: var(--clay-ink);
    font-weight: 650;
  }
</style>

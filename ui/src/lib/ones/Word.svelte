<script lang="ts">
  // A number word in its parts: dots under what names the ones, a line under what names
  // the tens, a wave where the part has changed. In the hues of the places once it is
  // answered.
  import type { WordPart } from '../wire.gen';

  let { parts, plain = false }: { parts: WordPart[]; plain?: boolean } = $props();
  const says = $derived(parts.map((p) => p.text).join(''));
</script>

<span class="word kid" role="img" aria-label={says}
  >{#each parts as p, i (i)}<span
      class={plain || p.own ? '' : p.changed ? 'changed' : p.place}
      style:color={plain || p.own ? undefined : `var(--${p.place}-ink)`}>{p.text}</span
    >{/each}</span
>

<style>
  .word {
    white-space: nowrap;
  }
  .word span {
    text-underline-offset: 0.16em;
    text-decoration-thickness: 0.06em;
  }
  .tens {
    text-decoration-line: underline;
  }
  .ones {
    text-decoration: underline dotted;
  }
  .changed {
    text-decoration: underline wavy;
  }
</style>

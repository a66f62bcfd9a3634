<script lang="ts">
  // Lessons that have ended: each opens its record, to be read or corrected.
  import { link } from 'svelte-spa-router';
  import { view } from '../../lib/state.svelte';
  import type { LessonBrief } from '../../lib/wire.gen';

  let { lessons }: { lessons: LessonBrief[] } = $props();

  const FEW = 3;
  const tasks = (l: LessonBrief): string =>
    l.tasks.slice(0, FEW).join(', ') +
    (l.tasks.length > FEW ? ` and ${l.tasks.length - FEW} more` : '');
</script>

<ul>
  {#each lessons as l (l.id)}
    <li>
      <a href={view(`${l.whole ? 'slates' : 'record'}/${l.id}`)} use:link>
        <svg width="22" height="22" viewBox="-11 -20 22 22" aria-hidden="true">
          <use href="#leaf" transform="rotate(-30) scale(.9)" />
        </svg>
        <span>
          <b class:private={l.children.length > 0}
            >{l.whole ? 'The whole class' : l.children.join(', ') || 'Practice, no children'}</b
          >
          <span class="small">{l.at}, {l.stage}</span>
        </span>
        <span class="kid tasks">{tasks(l)}</span>
      </a>
    </li>
  {/each}
</ul>

<style>
  a {
    display: grid;
    grid-template-columns: 26px minmax(0, 1fr) auto;
    align-items: center;
    gap: 8px;
    min-height: 52px;
    padding: 4px 0;
    border-top: 1px solid var(--line);
    text-decoration: none;
  }
  a:hover b {
    color: var(--leaf);
  }
  b {
    display: block;
    font-weight: 600;
  }
  .tasks {
    max-width: 340px;
    text-align: right;
    color: var(--ink-2);
  }
</style>

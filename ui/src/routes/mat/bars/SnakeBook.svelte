<script lang="ts">
  // The book of a snake: the tens so far and what each left, then what is due at this ten; in
  // the check the bars that are counted again.
  import TenLine from '../../../lib/bars/TenLine.svelte';
  import type { Lesson } from '../../../lib/wire.gen';

  let { lesson, index }: { lesson: Lesson; index: number } = $props();

  const snake = $derived(lesson.link.sum.snake!);
  const step = $derived(lesson.steps[index]!);
  const v = $derived(step.snake!);
  const checks = $derived(step.at.startsWith('check'));
  const counts = $derived(step.at.startsWith('count'));
  const stopped = $derived(v.golden + (v.in || v.beneath ? 1 : 0));
  /** The last ten that is told says what is left once that is counted. */
  const known = $derived(v.beneath || (v.in && step.kind === 'golden') ? stopped - 1 : stopped);
  const NAMES: Record<string, string> = {
    stop: 'ten: stop',
    golden: 'golden bar in',
    left: 'what is left: counted',
    aside: 'used bars aside',
    remain: 'remainder bar in',
    close: 'one bar closes the snake',
  };
  /** The steps of this ten but its counting; then it is counted on. */
  const due = $derived.by(() => {
    if (!counts || !step.ten) return [];
    const list = lesson.steps
      .map((s, i) => ({ s, i }))
      .filter(({ s }) => s.at.startsWith('count') && s.ten === step.ten && s.kind !== 'count')
      .map(({ s, i }) => ({ name: NAMES[s.kind] ?? s.do, i }));
    const after = lesson.steps.findIndex((s) => s.kind === 'count' && s.ten === step.ten! + 1);
    return after > 0 ? [...list, { name: 'count on', i: after }] : list;
  });
  const MANY = 5; // of more tens the last ones are told
  const first = $derived(Math.max(0, stopped - MANY));
</script>

{#if checks}
  <h1>Counted again</h1>
  <ul class="kid again">
    {#each snake.pairs.slice(0, Math.max(v.paired + 1, 1)).slice(-6) as [a, b], i (i)}
      <li>
        {snake.bars[a!]} + {snake.bars[b!]} =
        {#if i < v.paired - Math.max(0, Math.min(v.paired + 1, snake.pairs.length) - 6)}<b>10</b
          >{:else}<span class="gap"></span>{/if}
      </li>
    {/each}
    {#if snake.rest.length && v.paired === snake.pairs.length}
      <li>
        {snake.rest.map((i) => snake.bars[i]).join(' + ')} =
        {#if v.rest}<b>{snake.over}</b>{:else}<span class="gap"></span>{/if}
      </li>
    {/if}
  </ul>
  <p class="small">
    <b>Bars over:</b> a golden ten was forgotten. <b>Bars short:</b> one is still in the snake.
    <b>Not as long:</b> what was left of a bar was miscounted.
  </p>
{:else}
  <h1>Tens so far</h1>
  {#if stopped === 0}
    <p class="small">At each ten: stop, lay in a golden bar, count what is left of the bar.</p>
  {/if}
  <ul class="tens">
    {#each snake.tens.slice(first, stopped) as ten, k (ten.to)}
      <li class:now={first + k === stopped - 1 && counts}>
        <TenLine {snake} nth={first + k} hidden={first + k >= known} />
      </li>
    {/each}
  </ul>
  {#if due.length}
    <h2>{step.ten! > snake.golden ? 'After the last ten' : 'At this ten'}</h2>
    <ol class="due">
      {#each due as d (d.i)}
        <li class:done={d.i < index} class:at={d.i === index}>
          <span class="node" aria-hidden="true"></span>{d.name}
        </li>
      {/each}
    </ol>
  {/if}
{/if}

<style>
  .tens {
    margin: 6px 0;
  }
  .tens li {
    display: grid;
    grid-template-columns: 34px 92px 1fr;
    align-items: center;
    gap: 6px;
    min-height: 34px;
    padding: 2px 6px;
    border-radius: var(--r2);
  }
  .tens li.now {
    background: var(--sheet);
    font-weight: 650;
  }
  .due li {
    display: flex;
    align-items: center;
    gap: 10px;
    line-height: 24px;
    color: var(--ink-2);
  }
  .due .done,
  .due .at {
    color: var(--ink);
  }
  .due .at {
    font-weight: 650;
  }
  .node {
    width: 11px;
    height: 11px;
    border: 2px solid var(--leaf);
    border-radius: 50%;
  }
  .done .node {
    background: var(--leaf);
  }
  .at .node {
    border-width: 4px;
  }
  .again {
    margin: 8px 0 10px;
    font-size: 22px;
    line-height: 34px;
  }
  .again b {
    color: var(--tens-ink);
  }
  .gap {
    display: inline-block;
    width: 1.6em;
    height: 1em;
    border: 2px dashed var(--leaf);
    border-radius: var(--r2);
    vertical-align: -0.1em;
  }
  /* An upright tablet has room for the last tens, and what is said. */
  @media (max-width: 900px) and (min-width: 700.1px) {
    .due,
    h2,
    .tens li:nth-last-child(n + 4) {
      display: none;
    }
  }
</style>

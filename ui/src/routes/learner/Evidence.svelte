<script lang="ts">
  // What the child did, newest first; what was corrected stays, struck through.
  import Tick from '../../lib/parts/Tick.svelte';
  import HelpSign from '../../lib/pieces/HelpSign.svelte';
  import { shared } from '../../lib/state.svelte';
  import type { Entry } from '../../lib/wire.gen';

  let {
    entries,
    total,
    more,
    stage,
    mended,
    onmend,
  }: {
    entries: Entry[]; // the newest ones
    total: number; // how many there are in all
    more?: () => Promise<void>; // reads older ones; missing where there are none
    stage: string;
    mended: string; // the id of the record that is being corrected
    onmend?: (e: Entry) => void; // missing where one only looks on
  } = $props();

  /** What stands now of a record: itself, or what corrected it. */
  function now(e: Entry): Entry {
    const later = entries.find((x) => x.replaces === e.id);
    return later ? now(later) : e;
  }

  let all = $state(false);
  const list = $derived(all ? entries : entries.filter((e) => e.stage === stage));

  /** So many rows are there at first, or all that there are. */
  const FIRST = 12;
  let reading = $state(false);
  async function older(): Promise<void> {
    if (!more || reading) return;
    reading = true;
    await more();
    reading = false;
  }
  // What is asked for may lie further back.
  $effect(() => {
    if (list.length < FIRST && more && !reading) void older();
  });
  const NEAR = 200;
  function scrolled(event: Event): void {
    const { scrollTop, clientHeight, scrollHeight } = event.currentTarget as HTMLElement;
    if (scrollTop + clientHeight > scrollHeight - NEAR) void older();
  }
</script>

<div class="head">
  <h2>Records, newest first</h2>
  <span class="right">
    <button aria-pressed={!all} onclick={() => (all = false)}>this stage</button>
    <button aria-pressed={all} onclick={() => (all = true)}>all {total}</button>
  </span>
</div>
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="scroll" role="region" aria-label="Records" tabindex="0" onscroll={scrolled}>
  <table>
    <thead class="unseen">
      <tr><th>day</th><th>help</th><th>answer and stage</th><th>right</th></tr>
    </thead>
    <tbody>
      {#each list as e (e.id)}
        <tr class:old={!e.current || e.withdrawn} class:mended={mended === e.id}>
          <td class="day">{e.daySays}</td>
          <td class="help" title="{e.helpSays}, by {e.by}"
            ><HelpSign help={e.help} size={18} /> {e.helpSays}</td
          >
          <td class="sum kid"
            ><button
              disabled={!onmend}
              aria-label="{e.task} = {e.answer || 'nothing'}, correct it"
              onclick={() => onmend?.(now(e))}
              >{e.task}{#if e.help !== 'shown' || e.answer}<span class="eq">=</span><b
                  class:wrong={!e.right}>{e.answer || 'nothing'}</b
                >{/if}</button
            >
            <p class="info">
              {e.partSays && `${e.partSays}: `}{all
                ? `${e.stageName}, ${e.inManner}`
                : e.inManner}{#if e.slate}<span>, on a slate</span>{/if}{#if e.paper}<span
                  >, on a sheet</span
                >{/if}{#if e.chosen}<span>, chosen, {shared.desk!.words.times[e.runs - 1]}</span
                >{/if}{#if e.way}<span>, {e.wayName}</span>{/if}{#if e.cameSays}<span
                  >, {e.cameSays}</span
                >{/if}{#if e.note}<span class="note">, “{e.note}”</span>{:else if e.hasNote}<span
                  >, has a note</span
                >{/if}
            </p>
          </td>
          <td class="mark">
            {#if e.right && (e.help !== 'shown' || e.answer)}<Tick size={14} />{:else}<svg
                width="14"
                height="14"
                viewBox="-7 -7 14 14"
                aria-hidden="true"
              >
                {#if !e.right && (e.help !== 'shown' || e.answer)}<circle r="5" class="no" />{/if}
              </svg>{/if}
            <span class="unseen"
              >{e.right ? 'right' : 'not'}{e.withdrawn
                ? ', withdrawn'
                : e.current
                  ? ''
                  : ', corrected'}</span
            >
          </td>
        </tr>
      {:else}
        <tr
          ><td colspan="4" class="small"
            >{more ? 'Looking further back …' : 'Nothing is recorded here yet.'}</td
          ></tr
        >
      {/each}
    </tbody>
  </table>
  {#if more && list.length >= FIRST}
    <button class="older" disabled={reading} onclick={() => void older()}
      >{reading ? 'Reading …' : 'Older ones'}</button
    >
  {/if}
</div>

<style>
  .head {
    display: flex;
    justify-content: space-between;
    align-items: center;
    min-height: 44px;
  }
  .right {
    display: flex;
    gap: 4px;
  }
  .right button {
    min-width: 44px;
    min-height: 44px;
    padding: 0 10px;
    border-radius: var(--r2);
    font-size: var(--t1);
    color: var(--leaf);
    font-weight: 600;
  }
  .right [aria-pressed='true'] {
    background: var(--leaf-tint);
  }
  .scroll {
    overflow: auto;
    min-height: 0;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: var(--t1);
  }
  td {
    padding: 3px 8px 3px 0;
    border-top: 1px solid var(--line);
    line-height: 20px;
    vertical-align: middle;
  }
  .day {
    width: 64px;
    color: var(--ink-2);
    white-space: nowrap;
  }
  .help {
    white-space: nowrap;
  }
  .help :global(svg) {
    display: inline-block;
    vertical-align: middle;
  }
  .sum {
    text-align: right;
    font-size: var(--t2);
    white-space: nowrap;
  }
  .sum button {
    min-width: 44px;
    min-height: 44px;
    padding: 0 4px;
    font: inherit;
    color: inherit;
    text-align: right;
  }
  .sum button:not(:disabled) {
    text-decoration: underline dotted var(--edge);
    text-underline-offset: 5px;
  }
  .sum button:hover:not(:disabled) {
    background: var(--leaf-tint);
  }
  .old .sum button {
    text-decoration: line-through;
  }
  .mended td {
    background: var(--leaf-tint);
  }
  .eq {
    margin: 0 6px;
  }
  .sum b.wrong {
    color: var(--plum);
  }
  .mark {
    width: 16px;
  }
  .no {
    fill: none;
    stroke: var(--plum);
    stroke-width: 2;
  }
  .older {
    min-width: 44px;
    min-height: 44px;
    font-size: var(--t1);
    font-weight: 600;
    color: var(--leaf);
  }
  .old td {
    color: var(--ink-2);
    text-decoration: line-through;
  }
  .old .sum b {
    font-weight: 400;
  }
  .note {
    font-style: italic;
  }
  .info {
    margin: -6px 4px 4px;
    font: 400 var(--t1) / 18px var(--text);
    color: var(--ink-2);
    white-space: normal;
  }
</style>

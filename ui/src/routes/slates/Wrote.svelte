<script lang="ts">
  // The slate in the hand: what stands on it, by figures or a quick mark.
  import { meaning } from './meaning';
  import type { SlateChild, Slates } from '../../lib/wire.gen';

  let {
    child,
    here,
    mark,
    open,
    kept,
    may,
    explains,
    ondigit,
    onwipe,
    onmark,
    onaway,
    onturn,
  }: {
    child: SlateChild;
    here: Slates;
    mark?: { mark: string; answer: string };
    open: boolean;
    kept: boolean;
    may: boolean;
    explains: boolean;
    ondigit: (d: string) => void;
    onwipe: () => void;
    onmark: (how: string) => void;
    onaway: () => void;
    onturn: () => void;
  } = $props();

  const nameOf = (id: string): string => here.marks.find((m) => m.id === id)?.name ?? id;
  const quick = $derived([
    { id: 'right', name: 'right, read', key: 'r' },
    ...(here.reversed ? [{ id: 'reversed', name: `in reverse, ${here.reversed}`, key: 'v' }] : []),
    { id: 'mirrored', name: 'figure turned round', key: 't' },
    { id: 'unfinished', name: 'not done', key: 'u' },
    { id: 'blank', name: 'nothing written', key: 'b' },
    { id: 'not-read', name: 'not read', key: 'n' },
  ]);
  const on = (id: string): boolean =>
    id === 'reversed' ? mark?.mark === 'gave' && mark.answer === here.reversed : mark?.mark === id;
</script>

<div class="head">
  <h1 class="private">{child.name}</h1>
  {#if may && !kept && !child.away}
    <button class="act" aria-pressed={explains} onclick={onturn}
      >{explains ? 'explains' : 'ask to explain'}</button
    >
  {/if}
</div>
{#if child.away}
  <p class="small">Away today.</p>
{:else}
  <p class="wrote" class:off={mark?.mark === 'gave'} role="status">
    {#if !mark}
      <span class="kid">{here.right}</span> <span class="small">right with the others</span>
    {:else if mark.answer || mark.mark === 'gave' || mark.mark === 'unfinished'}
      <span class="kid private">{mark.answer || '…'}</span>
      {#if mark.mark !== 'gave'}<span class="small">{nameOf(mark.mark)}</span>{/if}
    {:else}
      <span class="small">{nameOf(mark.mark)}</span>
    {/if}
  </p>
  {#if mark?.mark === 'gave' && meaning(here, mark.answer)}
    <p class="small private">{meaning(here, mark.answer)}</p>
  {/if}
{/if}
{#if open}
  {#if here.keys.length}
    <div class="pad words" role="group" aria-label="Answers">
      {#each here.keys as k, i (k.given)}
        <button onclick={() => ondigit(String(i + 1))}>{k.name}</button>
      {/each}
    </div>
  {:else}
    <div class="pad" role="group" aria-label="Figures">
      {#each ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'] as d (d)}
        <button class="kid" onclick={() => ondigit(d)}>{d}</button>
      {/each}
      {#if here.between.id}
        <button class="wide" onclick={() => ondigit(here.between.id)}>{here.between.name}</button>
      {/if}
    </div>
  {/if}
  <div class="quick" role="group" aria-label="Quick marks">
    {#each quick as q (q.id)}
      <button aria-pressed={on(q.id)} onclick={() => onmark(q.id)}>{q.name}</button>
    {/each}
    <button disabled={!mark} onclick={onwipe}>wipe</button>
    <button aria-pressed="false" onclick={onaway}>away today</button>
  </div>
{/if}
{#if may && child.away}
  <button class="act" onclick={onaway}>Here after all</button>
{/if}

<style>
  .head {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 8px;
    min-height: 44px;
  }
  .wrote {
    display: flex;
    align-items: center;
    gap: 12px;
    min-height: 58px;
    padding: 4px 14px;
    border: 2px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
  }
  .wrote.off {
    border-color: var(--clay);
    color: var(--clay-ink);
  }
  .wrote .kid {
    font-size: 36px;
    font-weight: 700;
    line-height: 1.2;
  }
  .pad {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(44px, 1fr));
    gap: 6px;
    margin-top: 8px;
  }
  .pad.words {
    grid-template-columns: 1fr 1fr;
  }
  .pad button {
    min-height: 44px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
    font-size: var(--t3);
    text-align: center;
  }
  .pad .wide {
    grid-column: span 2;
    font-size: var(--t2);
  }
  .pad button:disabled {
    border-style: dashed;
    color: var(--ink-2);
  }
  .quick {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(116px, 1fr));
    gap: 6px;
    margin-top: 8px;
  }
  .quick button {
    min-height: 44px;
    padding: 2px 6px;
    border: 1.5px solid var(--line);
    border-radius: var(--r2);
    font-size: var(--t1);
    line-height: 17px;
    text-align: center;
  }
  .quick button:disabled {
    border-style: dashed;
    color: var(--ink-2);
  }
  .quick [aria-pressed='true'] {
    border-color: var(--leaf);
    background: var(--leaf-tint);
    font-weight: 650;
  }
</style>

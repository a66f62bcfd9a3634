<script lang="ts">
  // The class as it sits, from the guide's side: the front is below. Each seat is a child with
  // its slate. While seats are moved, a child goes where it is dragged, or where it and then
  // the place are touched; arrows move it too.
  import type { SlateChild } from '../../lib/wire.gen';
  import { shared } from '../../lib/state.svelte';
  import Slate from './Slate.svelte';

  let {
    children,
    right,
    slated,
    marks,
    explains = '',
    asked,
    chosen = $bindable(''),
    moving = false,
    ontouch,
    onmove,
    w,
    h,
  }: {
    children: SlateChild[];
    right: string;
    slated: boolean; // answers stand on the slates
    marks: Record<string, { mark: string; answer: string }>;
    explains?: string;
    asked: Record<string, string>; // in this lesson: explained, passed
    chosen?: string;
    moving?: boolean;
    ontouch: (child: string) => void;
    onmove: (child: string, x: number, y: number) => void;
    w: number;
    h: number;
  } = $props();

  const MOST = 12;
  const cols = $derived(
    Math.min(MOST, Math.max(...children.map((c) => c.x), 3) + 1 + (moving ? 1 : 0)),
  );
  const rows = $derived(
    Math.min(MOST, Math.max(...children.map((c) => c.y), 1) + 1 + (moving ? 1 : 0)),
  );
  const cell = $derived({ w: w / cols, h: Math.min(148, h / rows) });
  const slate = $derived(Math.max(30, Math.min(66, cell.h - 54, (cell.w - 16) / 1.55)));
  const at = $derived(
    Object.fromEntries(children.map((c) => [`${c.x} ${c.y}`, c])) as Record<
      string,
      SlateChild | undefined
    >,
  );
  /** Row 0 is nearest to the guide, and stands below. */
  const spots = $derived(
    Array.from({ length: cols * rows }, (_, i) => ({
      x: i % cols,
      y: rows - 1 - Math.floor(i / cols),
    })),
  );
  /** What stands on a slate. */
  const textOf = (c: SlateChild): string => {
    const m = marks[c.id];
    if (!slated || c.away || m?.mark === 'not-read' || m?.mark === 'blank') return '';
    return m?.mark === 'gave' || m?.mark === 'unfinished' ? m.answer : right;
  };
  const says = (c: SlateChild): string => {
    const m = marks[c.id];
    const how = c.away
      ? 'away'
      : !slated
        ? ''
        : !m
          ? 'right'
          : m.mark === 'gave'
            ? 'another answer'
            : m.mark;
    return [
      `${textOf(c)} ${c.name}`.trim(),
      how,
      c.id === explains ? 'explains' : (asked[c.id] ?? ''),
      c.turnToday ? '' : 'not asked today',
    ]
      .filter(Boolean)
      .join(', ');
  };

  let dragged = $state('');
  function drop(x: number, y: number): void {
    if (dragged) onmove(dragged, x, y);
    dragged = '';
  }
  function touched(x: number, y: number): void {
    const there = at[`${x} ${y}`];
    if (!moving) return void (there && ontouch(there.id));
    if (chosen && chosen !== there?.id) {
      onmove(chosen, x, y);
      chosen = '';
    } else {
      chosen = chosen === there?.id ? '' : (there?.id ?? '');
    }
  }
</script>

<div
  class="seats"
  class:moving
  role="group"
  aria-label="The class as it sits"
  style:grid-template-columns="repeat({cols}, 1fr)"
  style:grid-auto-rows="{cell.h}px"
>
  {#each spots as s (`${s.x} ${s.y}`)}
    {@const c = at[`${s.x} ${s.y}`]}
    {#if c || moving}
      <button
        class="seat"
        class:chosen={c !== undefined && c.id === chosen}
        class:free={!c}
        class:away={c?.away}
        aria-pressed={c ? c.id === chosen : undefined}
        aria-label={c ? says(c) : `free: column ${s.x + 1}, row ${s.y + 1}`}
        draggable={moving && !!c}
        ondragstart={(e) => {
          dragged = c?.id ?? '';
          e.dataTransfer?.setData('text/plain', ' '); // without data some browsers drag nothing
        }}
        ondragend={() => (dragged = '')}
        ondragover={(e) => moving && e.preventDefault()}
        ondrop={(e) => {
          e.preventDefault();
          drop(s.x, s.y);
        }}
        onclick={() => touched(s.x, s.y)}
        data-seat={c?.id}
        data-mark={c ? (c.away ? 'away' : (marks[c.id]?.mark ?? 'default')) : undefined}
      >
        {#if c}
          <span class="board">
            {#if c.away}
              <svg class="chair" width="44" height="44" viewBox="0 0 44 44" aria-hidden="true">
                <path d="M9 5v36M35 5v36M9 7h26M9 26h26" />
              </svg>
            {:else}
              <Slate
                text={textOf(c)}
                mark={marks[c.id]?.mark}
                height={slate}
                explains={c.id === explains}
                hidden={shared.covered}
              />
            {/if}
          </span>
          <span class="who">
            {#if !c.away && !c.turnToday}<svg
                width="11"
                height="11"
                viewBox="0 0 11 11"
                aria-hidden="true"><circle class="bead" cx="5.5" cy="5.5" r="4.2" /></svg
              >{/if}
            {#if c.turnToday}<svg width="13" height="12" viewBox="0 0 13 12" aria-hidden="true"
                ><g class="berries"
                  ><circle cx="3.4" cy="3.6" r="2.8" /><circle cx="9.4" cy="3.6" r="2.8" /><circle
                    cx="6.4"
                    cy="8.6"
                    r="2.8"
                  /></g
                ></svg
              >{/if}
            <span class="kid private" class:marked={!!marks[c.id]}>{c.name}</span>
          </span>
        {/if}
      </button>
    {:else}
      <span></span>
    {/if}
  {/each}
</div>

<style>
  .seats {
    display: grid;
  }
  .seat {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: flex-start;
    min-width: 0;
    margin: 2px;
    padding: 8px 2px 2px;
    border: 2.5px solid var(--none);
    border-radius: var(--r2);
  }
  .seat:hover {
    border-color: var(--line);
  }
  .seat.chosen {
    border-color: var(--leaf);
    background: var(--leaf-tint);
  }
  .seat.free {
    border: 1.5px dashed var(--gap);
  }
  .moving .seat {
    cursor: grab;
  }
  .board {
    display: grid;
    place-items: center;
    width: 100%;
    flex: 1;
    min-height: 0;
    background: linear-gradient(var(--rug), var(--rug)) center bottom 4px / 100% 55% no-repeat;
    border-bottom: 4px solid var(--gap);
  }
  .who {
    display: flex;
    align-items: center;
    justify-content: center;
    gap: 4px;
    width: 100%;
    min-width: 0;
    font-size: var(--t1);
    line-height: 22px;
    text-align: center;
  }
  .who .kid {
    min-width: 0;
    overflow: hidden;
    overflow-wrap: anywhere;
    display: -webkit-box;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
    line-clamp: 2;
  }
  .who svg {
    flex: none;
  }
  .marked {
    font-weight: 700;
  }
  .bead {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 2;
  }
  .berries {
    fill: var(--straw);
    stroke: var(--ones-ink);
    stroke-width: 0.6;
  }
  .chair path {
    fill: none;
    stroke: var(--wood);
    stroke-width: 3;
    stroke-linecap: round;
  }
  .away .who {
    color: var(--ink-2);
  }
</style>

<script lang="ts">
  // The strands as pictures on boards; below them the stages of the one that was touched,
  // with how many children are ready for each or wobble at it. A stage is two touches away.
  import Bar from '../../lib/bars/Bar.svelte';
  import Cord from '../../lib/pieces/Cord.svelte';
  import type { State } from '../../lib/pieces/cord';
  import Glance from '../../lib/ones/Glance.svelte';
  import type { One, Stage, Stands } from '../../lib/wire.gen';
  import BoardPicture from './BoardPicture.svelte';
  import { BOARDS, boardOf, isBars, isSingle, isSnakes } from './boards';

  let {
    stages,
    stands,
    stage,
    board,
    coming,
    onboard,
    onstage,
    onown,
  }: {
    stages: Stage[];
    stands?: Stands;
    stage: string;
    board: string;
    coming: string[]; // the children who come; without them the whole class is meant
    onboard: (id: string) => void;
    onstage: (id: string) => void;
    onown: () => void;
  } = $props();

  const FULL = 8; // more stages than these fold
  const boards = $derived(BOARDS.map((b) => (b.always || stages.some((s) => b.has(s)) ? b : null)));
  /** Rows of boards on which nothing stands are left out. */
  const rows = $derived(
    [0, 3, 6].map((i) => boards.slice(i, i + 3)).filter((row) => row.some((b) => b)),
  );
  const here = $derived(stages.filter((s) => boardOf(s) === board));
  let open = $state(''); // which fold is open: all or far
  const stand = (s: Stage): Stands['stages'][string] | undefined => stands?.stages[s.id];
  const folds = $derived(here.length > FULL && !!stands);
  const isAll = (s: Stage): boolean => folds && (stand(s)?.all ?? false) && s.id !== stage;
  const isFar = (s: Stage): boolean =>
    folds && !isAll(s) && (stand(s)?.far ?? false) && s.id !== stage;
  const all = $derived(here.filter(isAll));
  const far = $derived(here.filter(isFar));
  const near = $derived(here.filter((s) => !isAll(s) && !isFar(s)));
  const counted = (list: { id: string }[] | undefined): number =>
    (list ?? []).filter((l) => !coming.length || coming.includes(l.id)).length;

  /** A picture is as high as its line. */
  const sizeOf = (one: One): number =>
    one.given
      ? one.given.length > 4
        ? 0.75
        : 0.62
      : one.frames > 1
        ? 0.34
        : ({ pieces: 0.42, drawn: 0.36, 'ten-of': 0.84 }[one.shown] ?? 0.62);
  /** Arrows go along a group of choices, as in any of them. */
  function arrows(event: KeyboardEvent): void {
    const step = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key];
    if (!step || !(event.currentTarget instanceof HTMLElement)) return;
    const list = [...event.currentTarget.querySelectorAll<HTMLElement>('[role=radio]')];
    const at = list.findIndex((b) => b === document.activeElement);
    const next = list[(at + step + list.length) % list.length];
    if (at < 0 || !next) return;
    event.preventDefault();
    next.focus();
    next.click();
  }
</script>

{#snippet line(s: Stage)}
  <button
    role="radio"
    class="stage"
    aria-checked={stage === s.id}
    tabindex={stage === s.id || (!here.some((x) => x.id === stage) && s === near[0]) ? 0 : -1}
    onclick={() => onstage(s.id)}
  >
    <span class="name">{s.name}</span>
    <span class="sign">
      {#if s.example}
        <Glance one={s.example} size={sizeOf(s.example)} flat />
      {:else if s.kind === 'chain'}
        <svg width="96" height="16" viewBox="0 0 96 16" aria-hidden="true">
          {#each { length: 3 }, i (i)}
            <g transform="translate({2 + i * 31} 8)"><Bar n={4} u={7} eyes={false} /></g>
          {/each}
        </svg>
      {:else if s.kind === 'snake'}
        <svg width="96" height="22" viewBox="0 0 96 22" aria-hidden="true">
          {#if s.cut === 'no'}
            <g transform="translate(2 13)"><Bar n={6} u={8} eyes={false} /></g>
            <g transform="translate(54 13)"><Bar n={4} u={8} eyes={false} /></g>
            <path d="M88 3V21M92 3V21" stroke="var(--ink)" stroke-width="1.6" />
          {:else}
            <g transform="translate(2 14)"><Bar n={7} u={7} eyes={false} /></g>
            <g transform="translate(53 14)"><Bar n={5} u={7} eyes={false} /></g>
            <path d="M74.5 2V21" stroke="var(--ink)" stroke-width="2" />
            <g transform="translate(76 5)"><Bar n={2} kind="remainder" u={7} cased={false} /></g>
          {/if}
        </svg>
      {:else}
        <Cord
          places={['ones', 'tens', 'hundreds', 'thousands'].slice(0, s.knots.length)}
          states={s.knots as State[]}
          made={s.hollow.map((h, i) => (s.kind === 'sum' ? s.made && i === 1 : h))}
          hollow={s.hollow}
          opens={s.kind === 'difference' || s.kind === 'share'}
          pitch={26}
          s={0.46}
          ground={stage === s.id ? 'var(--leaf-tint)' : 'var(--paper-2)'}
        />
      {/if}
    </span>
    <span class="who">
      {#if counted(stand(s)?.ready)}
        <span title="ready"
          ><svg width="12" height="14" viewBox="0 0 12 14" role="img" aria-label="ready"
            ><path class="bud" d="M6 1c4 4 5 6 5 8a5 5 0 0 1-10 0c0-2 1-4 5-8z" /></svg
          >{counted(stand(s)?.ready)}</span
        >
      {/if}
      {#if counted(stand(s)?.wobbling)}
        <span title="wobbling"
          ><svg width="13" height="14" viewBox="0 0 13 14" role="img" aria-label="wobbling"
            ><path class="hang" d="M1 2c6-1 10 2 11 7l-3-1-1 4C4 11 1 7 1 2z" /></svg
          >{counted(stand(s)?.wobbling)}</span
        >
      {/if}
    </span>
  </button>
{/snippet}

<div class="boards" role="radiogroup" aria-label="Strand" tabindex="-1" onkeydown={arrows}>
  {#each rows as row, r (r)}
    <div class="row">
      {#each row as b, i (i)}
        {#if b}
          <button
            role="radio"
            class="board"
            aria-label={b.name}
            aria-checked={board === b.id}
            tabindex={board === b.id ? 0 : -1}
            onclick={() => onboard(b.id)}><BoardPicture id={b.id} /><span>{b.name}</span></button
          >
        {:else}<span class="gap"></span>{/if}
      {/each}
    </div>
  {/each}
</div>
<div class="stages" role="radiogroup" aria-label="Stage" tabindex="-1" onkeydown={arrows}>
  {#if all.length}
    <button
      class="fold"
      aria-expanded={open === 'all'}
      onclick={() => (open = open === 'all' ? '' : 'all')}>secure for all: {all.length}</button
    >
    {#if open === 'all'}{#each all as s (s.id)}{@render line(s)}{/each}{/if}
  {/if}
  {#each near as s (s.id)}{@render line(s)}{/each}
  {#if far.length}
    <button
      class="fold"
      aria-expanded={open === 'far'}
      onclick={() => (open = open === 'far' ? '' : 'far')}>still far off: {far.length}</button
    >
    {#if open === 'far'}{#each far as s (s.id)}{@render line(s)}{/each}{/if}
  {/if}
  {#if board === 'number-rods'}
    <p class="small">They count at one by one, a full ten, and within ten.</p>
  {/if}
  {#if !isSingle(board) && !isSnakes(board) && !isBars(board)}
    <button
      role="radio"
      class="stage own"
      aria-checked={stage === ''}
      tabindex={stage === '' ? 0 : -1}
      onclick={onown}
    >
      my own pattern
    </button>
  {/if}
</div>

<style>
  .boards {
    display: grid;
    gap: 4px;
    margin: -6px -8px 0 -12px;
  }
  .row {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    border-bottom: 4px solid #cbbf9f;
  }
  .board {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: flex-end;
    min-height: 58px;
    padding: 2px 0;
    margin-bottom: -4px;
    border-bottom: 4px solid var(--none);
    font-size: var(--t1);
    line-height: 17px;
    text-align: center;
  }
  .board:hover {
    background: var(--paper);
  }
  .board[aria-checked='true'] {
    border-bottom-color: var(--leaf);
    background: var(--leaf-tint);
    font-weight: 650;
  }
  .stages {
    display: flex;
    flex-direction: column;
    margin: var(--s2) -16px 0 -20px;
  }
  .stage,
  .fold {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    align-items: center;
    gap: 0 6px;
    min-height: 44px;
    padding: 2px 12px 2px 16px;
    border-left: 4px solid var(--none);
    text-align: left;
    line-height: 18px;
  }
  .stage:hover,
  .fold:hover {
    background: var(--paper);
  }
  .stage[aria-checked='true'] {
    border-left-color: var(--leaf);
    background: var(--leaf-tint);
    font-weight: 650;
  }
  .name {
    grid-column: 1 / -1;
  }
  .sign {
    display: flex;
    min-width: 0;
    height: 20px;
    align-items: center;
  }
  .who {
    display: flex;
    gap: 7px;
    font-size: var(--t1);
    font-weight: 400;
  }
  .who span {
    display: flex;
    align-items: center;
    gap: 3px;
  }
  .bud {
    fill: var(--leaf);
  }
  .hang {
    fill: var(--plum);
  }
  .fold {
    font-size: var(--t1);
    color: var(--ink-2);
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  @media (min-width: 700.1px) and (max-width: 900px) {
    .boards {
      grid-auto-flow: column;
      grid-template-columns: repeat(3, 1fr);
      gap: 0 8px;
      margin: 0 0 4px;
    }
    .board {
      min-height: 52px;
    }
    .stages {
      display: grid;
      grid-template-columns: 1fr 1fr;
      margin: 0;
    }
  }
  @media (max-width: 700px) {
    .stages {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
      margin: var(--s2) 0 0;
    }
  }
</style>

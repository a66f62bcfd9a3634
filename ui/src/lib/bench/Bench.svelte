<script lang="ts">
  // One bench for every working view: shelf, mat, book. On a tablet held
  // upright the shelf and the book become two drawers below the mat.
  import type { Snippet } from 'svelte';
  import Keys from '../parts/Keys.svelte';
  import Plain from '../parts/Plain.svelte';
  import { cover, shared } from '../state.svelte';
  import type { LessonLink } from '../wire.gen';
  import Head from './Head.svelte';
  import Ribbon from './Ribbon.svelte';

  let {
    title,
    shelf,
    mat,
    book,
    foot,
    keys = [],
    lesson,
    mark,
    onmark,
    shelfSays = '',
    bookSays = '',
    first = 'book',
    lead = 'mat',
    scene = false,
    personal = false,
    drawer = 284,
    shelfWidth = 216,
    bookWidth = 304,
  }: {
    title: string;
    shelf: Snippet;
    mat: Snippet;
    book: Snippet;
    foot: Snippet;
    keys?: [string, string][];
    lesson?: LessonLink;
    mark?: number;
    onmark?: (at: string) => void;
    shelfSays?: string;
    bookSays?: string;
    first?: 'shelf' | 'book';
    lead?: 'shelf' | 'mat' | 'book'; // what stands first where there is one column
    personal?: boolean; // all of it is about children: it is hidden where others may see the screen
    scene?: boolean; // the mat draws its own picture, as large as it is given room
    drawer?: number; // px that the drawers have on an upright tablet
    shelfWidth?: number; // px
    bookWidth?: number; // px
  } = $props();

  // svelte-ignore state_referenced_locally
  let open = $state(first);
  let list = $state<Keys>();

  function help(event: KeyboardEvent): void {
    if (event.key !== '?' || event.target instanceof HTMLInputElement) return;
    event.preventDefault();
    list?.open();
  }
</script>

<svelte:head><title>{title} · Vine Swap</title></svelte:head>
<svelte:window onkeydown={help} />

<div class="page">
  <Head onkeys={() => list?.open()} />
  <Ribbon lesson={lesson ?? shared.desk?.inHand} {mark} {onmark} />
  {#if personal && shared.covered}
    <div class="hidden" role="status">
      <h1>Names, slips and notes are hidden here</h1>
      <p>Others may see this screen. The key h, or a touch, shows them again.</p>
      <Plain onclick={cover}>Show them again</Plain>
    </div>
  {/if}
  <main
    class="bench"
    style:--drawer="{drawer}px"
    style:--shelf="{shelfWidth}px"
    style:--book="{bookWidth}px"
    data-open={open}
    data-lead={lead}
    class:gone={personal && shared.covered}
  >
    <section class="shelf" aria-label="Shelf">{@render shelf()}</section>
    <section class="mat" class:scene aria-label={title}>
      <span class="fringe left"></span>
      {@render mat()}
      <span class="fringe right"></span>
    </section>
    <div class="tabs" role="tablist" aria-label="Drawers">
      <button role="tab" aria-selected={open === 'shelf'} onclick={() => (open = 'shelf')}>
        Shelf <span>{shelfSays}</span>
      </button>
      <button role="tab" aria-selected={open === 'book'} onclick={() => (open = 'book')}>
        Book <span class="private">{bookSays}</span>
      </button>
    </div>
    <!-- What is written may be longer than the page: keys scroll it too. -->
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <section class="book" aria-label="Book" tabindex="0">{@render book()}</section>
    <div class="foot">{@render foot()}</div>
  </main>
</div>
<Keys
  bind:this={list}
  keys={[...keys, ['h', 'hide names, slips and notes, or show them'], ['?', 'this list']]}
/>

<style>
  .page {
    display: grid;
    grid-template-rows: 52px 44px minmax(0, 1fr);
    height: 100%;
  }
  .hidden {
    display: grid;
    gap: 12px;
    place-content: center;
    justify-items: center;
    padding: 24px;
    text-align: center;
  }
  .bench.gone {
    display: none;
  }
  .bench {
    display: grid;
    grid-template:
      'shelf mat book' minmax(0, 1fr)
      'shelf mat foot' auto / var(--shelf) minmax(0, 1fr) var(--book);
    min-height: 0;
  }
  /* What changes in one of them is laid out and painted there alone. */
  .shelf,
  .mat,
  .book {
    contain: strict;
  }
  .foot {
    contain: layout paint;
  }
  .shelf {
    grid-area: shelf;
    padding: var(--s4) var(--s4) var(--s4) 20px;
    background: var(--paper-2);
    overflow: auto;
    display: flex;
    flex-direction: column;
  }
  .mat {
    grid-area: mat;
    position: relative;
    min-width: 0;
    min-height: 0;
    overflow: hidden;
  }
  .fringe {
    position: absolute;
    top: 0;
    bottom: 0;
    width: 9px;
    background: repeating-linear-gradient(
      to bottom,
      transparent 0 3px,
      #cbbf9f 3px 4.4px,
      transparent 4.4px 8px
    );
    pointer-events: none;
  }
  .fringe.left {
    left: 0;
    border-right: 1.6px solid var(--tray);
  }
  .fringe.right {
    right: 0;
    border-left: 1.6px solid var(--tray);
  }
  .book {
    grid-area: book;
    padding: var(--s4) 20px 0;
    background: var(--paper-2);
    overflow: auto;
  }
  .foot {
    grid-area: foot;
    padding: var(--s3) 20px 20px;
    background: var(--paper-2);
  }
  .tabs {
    display: none;
  }
  @media (max-width: 1100px) {
    .bench {
      grid-template-columns: min(184px, var(--shelf)) minmax(0, 1fr) calc(var(--book) - 24px);
    }
    .shelf,
    .book {
      padding-inline: 14px;
    }
    .foot {
      padding-inline: 14px;
    }
  }
  /* From the back of a room: all grows with the screen. */
  @media (min-width: 1600px) and (min-height: 900px) {
    .bench {
      grid-template-columns: calc(1.35 * var(--shelf)) minmax(0, 1fr) calc(1.35 * var(--book));
    }
    .shelf,
    .mat:not(.scene),
    .book,
    .foot {
      zoom: 1.35;
    }
  }
  @media (min-width: 700.1px) and (max-width: 900px) {
    .bench {
      grid-template:
        'mat' minmax(0, 1fr)
        'tabs' 48px
        'drawer' var(--drawer)
        'foot' auto / minmax(0, 1fr);
    }
    .tabs {
      grid-area: tabs;
      display: grid;
      grid-template-columns: 1fr 1fr;
      border-top: 4px solid #cbbf9f;
      background: var(--paper);
    }
    .tabs button {
      padding: 0 20px;
      font-weight: 650;
    }
    .tabs button span {
      margin-left: var(--s2);
      font-size: var(--t1);
      font-weight: 400;
      color: var(--ink-2);
    }
    .tabs button[aria-selected='true'] {
      background: var(--paper-2);
      box-shadow: inset 0 3px 0 var(--leaf);
    }
    .shelf,
    .book {
      grid-area: drawer;
      padding: var(--s3) 20px;
    }
    .foot {
      border-top: 1px solid var(--line);
      padding: var(--s2) 20px var(--s3);
    }
    [data-open='shelf'] .book,
    [data-open='book'] .shelf {
      display: none;
    }
  }
  /* Where little of the page is left it scrolls, and the next action stays in sight. */
  @media (min-width: 700.1px) and (max-width: 900px) and (max-height: 700px) {
    .bench {
      grid-template:
        'mat' 520px
        'tabs' 48px
        'drawer' var(--drawer)
        'foot' auto / minmax(0, 1fr);
      overflow: auto;
      scroll-padding-bottom: 128px; /* what has the focus is not under the foot */
    }
    .foot {
      position: sticky;
      bottom: 0;
    }
  }
  /* A telephone, or a page enlarged to twice its size and more: one column. */
  @media (max-width: 700px) {
    .page {
      display: block;
      overflow: auto;
      scroll-padding-bottom: 116px;
    }
    .bench {
      display: flex;
      flex-direction: column;
      min-height: calc(100% - 96px);
    }
    .shelf,
    .mat,
    .book {
      display: block;
      flex: none;
      contain: none;
      overflow: visible;
      padding: var(--s3) 14px;
    }
    .mat {
      padding: 0;
      overflow-x: auto;
      background: var(--paper);
    }
    .book {
      flex: 1;
    }
    .fringe {
      display: none;
    }
    [data-lead='shelf'] .shelf,
    [data-lead='book'] .book {
      order: -1;
    }
    [data-lead='mat'] .shelf,
    [data-lead='book'] .shelf {
      order: 1;
    }
    .foot {
      order: 2;
      position: sticky;
      bottom: 0;
      z-index: 3;
      contain: none;
      padding: var(--s2) 14px;
      border-top: 1px solid var(--line);
    }
  }
  @media (max-width: 700px) and (max-height: 500px) {
    .page {
      padding-bottom: 76px;
      scroll-padding-bottom: 80px;
    }
    .foot {
      position: fixed;
      left: 0;
      right: 0;
      display: flex;
      align-items: center;
      gap: var(--s2);
      padding-block: 4px;
    }
    .foot > :global(*) {
      flex: 1;
      min-width: 0;
    }
  }
  /* On paper stand the mat and the book, as long as they are, and no furniture. */
  @media print {
    .page {
      display: block;
      height: auto;
    }
    .page > :global(header),
    .page > :global(.ribbon),
    .page > :global(nav),
    .shelf,
    .tabs,
    .foot,
    .fringe {
      display: none !important;
    }
    .bench,
    .bench.gone {
      display: block;
    }
    .mat,
    .book {
      display: block !important;
      contain: none;
      height: auto;
      overflow: visible;
      padding: 0;
      background: none;
      zoom: 1;
    }
    .mat {
      min-height: 700px; /* what fills it on the screen fills it here */
    }
    .book {
      margin-top: 6mm;
      padding-top: 4mm;
      border-top: 1px solid var(--edge);
    }
  }
</style>

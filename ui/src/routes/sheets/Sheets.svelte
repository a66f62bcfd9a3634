<script lang="ts">
  // Sheets for children and for the guide: one kind is chosen, looked at as it will be
  // printed, for whom, and printed into one file.
  import { onMount } from 'svelte';
  import { link, router } from 'svelte-spa-router';
  import { api, told } from '../../lib/api';
  import Bench from '../../lib/bench/Bench.svelte';
  import { newId } from '../../lib/id';
  import { shortcuts } from '../../lib/keys';
  import Next from '../../lib/parts/Next.svelte';
  import Plain from '../../lib/parts/Plain.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import { classPath, guarded, saved, shared, troubleOf, view } from '../../lib/state.svelte';
  import type { AskSheet, SheetLook, SheetPrinted, Sheets, Trouble } from '../../lib/wire.gen';
  import { begin, keep, usual } from './asked.svelte';
  import Options from './Options.svelte';
  import Page from './Page.svelte';
  import Sign from './Sign.svelte';
  import Whom from './Whom.svelte';

  let page = $state.raw<Sheets>();
  let ask = $state.raw<AskSheet>();
  let look = $state.raw<SheetLook>();
  let trouble = $state<Trouble>();
  let child = $state('');
  let shown = $state(0); // which page of the sheet

  const kind = $derived(page?.kinds.find((k) => k.kind === ask?.kind));
  const named = $derived(!!kind && (kind.each || kind.kind === 'minute'));

  onMount(async () => {
    try {
      page = await guarded(api<Sheets>('GET', classPath('/sheets')));
      ask = begin(page);
      const wanted = new URLSearchParams(router.querystring);
      const other = page.kinds.find((k) => k.kind === wanted.get('kind'));
      if (other) ask = { ...usual(other, ask), lesson: wanted.get('lesson') ?? undefined };
      const stage = wanted.get('stage') ?? '';
      if (other?.stages.some((s) => s.id === stage)) ask = { ...ask, stage };
    } catch (error) {
      trouble = troubleOf(error);
    }
  });

  // Each change is looked at; the last one that was asked for is shown.
  let asked = 0;
  async function lookAt(now: AskSheet, whose: string): Promise<void> {
    const nth = ++asked;
    try {
      const body = { ...now, child: whose || undefined, id: undefined };
      const made = await guarded(api<SheetLook>('POST', classPath('/sheets/look'), body));
      if (nth !== asked) return;
      look = made;
      trouble = undefined;
      shown = Math.min(shown, made.pages.length - 1);
    } catch (error) {
      if (nth === asked) trouble = troubleOf(error);
    }
  }
  $effect(() => {
    const now = ask;
    const whose = child;
    if (!now) return;
    const wait = setTimeout(() => void lookAt(now, whose), 120);
    return () => clearTimeout(wait);
  });

  function set(change: Partial<AskSheet>): void {
    if (!ask) return;
    ask = { ...ask, ...change, id: newId() };
    keep(ask);
    ready = undefined;
  }
  function choose(k: string): void {
    const other = page?.kinds.find((o) => o.kind === k);
    if (!other || !ask || other.kind === ask.kind) return;
    set(usual(other, ask));
    shown = 0;
  }
  function others(): void {
    if (!ask) return;
    const of = look?.groups.length && !ask.alike && !ask.tasks ? child || ask.children[0]! : 'all';
    set({ again: { ...ask.again, [of]: (ask.again[of] ?? 0) + 1 } });
  }
  function leave(id: string): void {
    if (!ask) return;
    set({ children: ask.children.filter((c) => c !== id) });
    if (child === id) child = '';
  }
  function take(id: string): void {
    if (!ask || !page) return;
    const now = [...ask.children, id];
    set({ children: page.children.map((c) => c.id).filter((c) => now.includes(c)) });
  }

  // The file, when it is made; and how far it is while it is made.
  let ready = $state.raw<{ name: string; code: string; url: string }>();
  let far = $state.raw<SheetPrinted>();
  let stop: AbortController | undefined;

  function toFile(text: string): string {
    const bytes = Uint8Array.from(atob(text), (c) => c.charCodeAt(0));
    return URL.createObjectURL(new Blob([bytes], { type: 'application/pdf' }));
  }
  async function print(): Promise<void> {
    if (!ask || far || !shared.mayPresent) return;
    const own = new AbortController();
    stop = own;
    far = { done: 0, of: 1 };
    try {
      const last = await saved(
        told<SheetPrinted>(classPath('/sheets'), ask, own.signal, (line) => (far = line)),
      );
      if (!last?.file) return; // given up
      ready = { name: last.name ?? 'sheet.pdf', code: last.code ?? '', url: toFile(last.file) };
      trouble = undefined;
      shared.said = `${ready.name} is made`;
      save();
      page = await guarded(api<Sheets>('GET', classPath('/sheets')));
      ask = { ...ask, id: newId() };
    } catch (error) {
      trouble = troubleOf(error);
    } finally {
      far = undefined;
      stop = undefined;
    }
  }
  function save(): void {
    if (!ready) return;
    const a = document.createElement('a');
    a.href = ready.url;
    a.download = ready.name;
    a.click();
  }

  const toPrint = $derived.by(() => {
    const n = look?.sheets ?? 1;
    if (!kind) return 'Print';
    if (kind.each || kind.kind === 'minute')
      return n === 1 ? 'Print the sheet' : `Print ${n} sheets`;
    return kind.kind === 'cards' ? 'Print the cards' : `Print the ${kind.name}`;
  });
</script>

<svelte:window
  onkeydown={shortcuts({
    p: () => void print(),
    o: others,
    escape: () => stop?.abort(),
  })}
/>

<Bench
  title="Sheets"
  personal
  keys={[
    ['p', 'print'],
    ['o', 'other numbers'],
    ['esc', 'give up printing'],
  ]}
  shelfSays={kind?.name ?? ''}
  bookSays={look?.title ?? ''}
  first="book"
  drawer={330}
>
  {#snippet shelf()}
    <h1 class="unseen">A sheet of</h1>
    <div class="kinds" role="group" aria-label="Kinds of sheet">
      {#each page?.kinds ?? [] as k (k.kind)}
        <button aria-pressed={k.kind === ask?.kind} onclick={() => choose(k.kind)}>
          <Sign kind={k.kind} />
          <span>{k.name}</span>
        </button>
      {/each}
    </div>
    <nav class="back" aria-label="Answers">
      <a href={view('answers')} use:link
        >Type answers back <b>{page?.out.length ? page.out.length : ''}</b></a
      >
    </nav>
  {/snippet}

  {#snippet mat()}
    <div class="frame">
      <div class="all" class:alone={!named}>
        <div class="paper" class:many={(look?.sheets ?? 0) > 1}>
          {#if look?.pages.length}
            {@const at = look.pages[shown] ?? look.pages[0]!}
            <Page
              svg={at}
              label="{kind?.name ?? 'The sheet'}{look.title ? ` of ${look.title}` : ''}"
            />
          {/if}
          {#if (look?.pages.length ?? 0) > 1}
            <div class="turn">
              {#each look!.pages as p, i (p)}
                <button aria-pressed={i === shown} onclick={() => (shown = i)}>page {i + 1}</button>
              {/each}
            </div>
          {/if}
        </div>
        {#if page && ask && named}
          <Whom
            {page}
            {ask}
            {look}
            child={child || ask.children[0] || ''}
            onlook={(id) => (child = id)}
            onleave={leave}
            ontake={take}
          />
        {/if}
      </div>
    </div>
  {/snippet}

  {#snippet book()}
    {#if trouble}<Wrong {trouble} />{/if}
    {#if page && ask && kind}
      <Options {page} {ask} {kind} {look} {trouble} onset={set} onothers={others} />
    {/if}
  {/snippet}

  {#snippet foot()}
    {#if far}
      <div class="far" role="status">
        <span>Printing: {Math.round((100 * far.done) / Math.max(1, far.of))} %</span>
        <progress max={far.of} value={far.done} aria-label="Printing"></progress>
        <Plain onclick={() => stop?.abort()}>Give it up</Plain>
      </div>
    {:else}
      {#if ready}
        <p class="ready" role="status">
          <a href={ready.url} download={ready.name}>{ready.name}</a> is made.
          {#if ready.code}<a href={view(`answers/${ready.code}`)} use:link>Type its answers</a>{/if}
        </p>
      {/if}
      <Next
        label={toPrint}
        key="p"
        disabled={!ask ||
          !look ||
          !!trouble ||
          !shared.mayPresent ||
          (named && !ask.children.length)}
        onclick={() => void print()}
      />
    {/if}
  {/snippet}
</Bench>

<style>
  .kinds {
    display: grid;
    margin: -6px -8px 0;
  }
  .kinds button {
    display: grid;
    grid-template-columns: 38px 1fr;
    align-items: center;
    gap: 8px;
    min-height: 44px;
    padding: 0 8px;
    border-left: 4px solid transparent;
    line-height: 17px;
  }
  .kinds button:hover,
  .kinds button[aria-pressed='true'] {
    background: var(--leaf-tint);
  }
  .kinds button[aria-pressed='true'] {
    border-left-color: var(--leaf);
    font-weight: 650;
  }
  .back {
    margin-top: auto;
    padding-top: 8px;
  }
  .back a {
    display: flex;
    justify-content: space-between;
    align-items: center;
    min-height: 44px;
    padding: 0 12px;
    border: 1.5px solid var(--leaf);
    border-radius: var(--r2);
    background: var(--paper);
    color: var(--leaf-deep);
    font-weight: 650;
    text-decoration: none;
  }
  .frame {
    height: 100%;
    container-type: size;
  }
  .all {
    --page: min(62cqw, (100cqh - 30px) * 0.7071);
    display: grid;
    grid-template-columns: var(--page) minmax(0, 1fr);
    gap: 20px;
    height: 100%;
    padding: 14px 18px 14px 20px;
  }
  .all.alone {
    --page: min(100cqw - 44px, (100cqh - 30px) * 0.7071);
    grid-template-columns: var(--page);
    justify-content: center;
  }
  .paper {
    position: relative;
    align-self: start;
    aspect-ratio: 210 / 297;
  }
  .paper.many::before {
    content: '';
    position: absolute;
    inset: 6px -6px -6px 6px;
    border: 1px solid var(--tray);
    background: var(--paper);
  }
  .paper > :global(.printed) {
    position: relative;
  }
  .turn {
    position: absolute;
    right: 8px;
    top: 8px;
    display: flex;
    gap: 6px;
  }
  .turn button {
    min-height: 44px;
    padding: 0 10px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--paper);
    font-size: var(--t1);
  }
  .turn button[aria-pressed='true'] {
    background: var(--leaf-tint);
    font-weight: 650;
  }
  .far {
    display: grid;
    gap: 8px;
  }
  progress {
    width: 100%;
    height: 10px;
    accent-color: var(--leaf);
  }
  .ready {
    margin-bottom: 8px;
    font-size: 15px;
  }
  .ready a {
    display: inline-block;
    padding: 4px 0;
    color: var(--leaf-deep);
  }
  @media (max-width: 700px) {
    .frame {
      height: auto;
      container-type: inline-size;
    }
    .all,
    .all.alone {
      --page: 100%;
      display: block;
      height: auto;
    }
    .paper {
      margin-bottom: 16px;
    }
  }
</style>

<script lang="ts">
  // Answers come back from paper: a sheet is found by its code, the answers are typed with
  // the keyboard alone or touched on the pad, and judged as they come.
  import { onMount, tick, untrack } from 'svelte';
  import { link, push } from 'svelte-spa-router';
  import { api } from '../../lib/api';
  import Bench from '../../lib/bench/Bench.svelte';
  import { newId } from '../../lib/id';
  import { outbox } from '../../lib/outbox.svelte';
  import Next from '../../lib/parts/Next.svelte';
  import Plain from '../../lib/parts/Plain.svelte';
  import Sides from '../../lib/parts/Sides.svelte';
  import Written from '../../lib/parts/Written.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import { classPath, guarded, saved, shared, troubleOf, view } from '../../lib/state.svelte';
  import type {
    AnswerCell,
    AnswerHelp,
    AnswerRow,
    KeptAnswers,
    OneAnswer,
    SheetAnswers,
    Sheets,
    Trouble,
  } from '../../lib/wire.gen';
  import MinuteRows from './MinuteRows.svelte';
  import Sign from './Sign.svelte';

  /** As a child says which task it is. */
  const ORDINALS = [
    'first',
    'second',
    'third',
    'fourth',
    'fifth',
    'sixth',
    'seventh',
    'eighth',
    'ninth',
    'tenth',
    'eleventh',
    'twelfth',
  ];

  let { params = {} }: { params?: { sheet?: string } } = $props();

  let all = $state.raw<Sheets>();
  let page = $state.raw<SheetAnswers>();
  let trouble = $state<Trouble>();
  let notice = $state('');
  let code = $state('');
  let row = $state(0);
  let nth = $state(0);
  let draft = $state('');
  let day = $state('');
  let down = $state(false);
  let field = $state<HTMLInputElement>();

  const child = $derived<AnswerRow | undefined>(page?.children[row]);
  const cell = $derived<AnswerCell | undefined>(child?.cells[nth]);
  const may = $derived(shared.mayPresent);

  onMount(async () => {
    try {
      all = await guarded(api<Sheets>('GET', classPath('/sheets')));
    } catch (error) {
      trouble = troubleOf(error);
    }
  });
  $effect(() => {
    const sheet = params.sheet ?? '';
    untrack(() => void open(sheet));
  });

  // What is being typed lies on this device until it is kept.
  const key = (): string => `typing ${shared.me?.id} ${page?.sheet.id}`;
  interface Typing {
    learner: string;
    nth: number;
    draft: string;
  }
  function note(): void {
    try {
      const now: Typing = { learner: child?.id ?? '', nth, draft };
      localStorage.setItem(key(), JSON.stringify(now));
    } catch {
      // the device is full: the page has it
    }
  }
  function typing(): Typing | undefined {
    try {
      return JSON.parse(localStorage.getItem(key()) ?? '') as Typing;
    } catch {
      return undefined;
    }
  }

  async function open(sheet: string): Promise<void> {
    if (!sheet) {
      page = undefined;
      return;
    }
    try {
      page = await guarded(
        api<SheetAnswers>('GET', classPath(`/sheets/${encodeURIComponent(sheet)}`)),
      );
      trouble = undefined;
      helps = {};
      day = page.today;
      const before = typing();
      const at = page.children.findIndex((c) => c.id === before?.learner);
      row = Math.max(0, at >= 0 ? at : page.children.findIndex((c) => !done(c)));
      nth = at >= 0 ? before!.nth : Math.max(0, (page.children[row]?.cells ?? []).findIndex(bare));
      draft =
        at >= 0 && before!.draft
          ? before!.draft
          : (page.children[row]?.cells[nth]?.kept?.answer ?? '');
      await focus();
    } catch (error) {
      page = undefined;
      trouble = troubleOf(error);
    }
  }
  $effect(() => {
    const id = page?.sheet.id;
    if (!id) return;
    return outbox.hear(id, {
      sent: (piece, answer) => piece.kind === 'answers' && take(answer as KeptAnswers),
      refused: () => void reload(),
      elsewhere: () => void reload(),
    });
  });
  const waits = (learner: string): boolean =>
    outbox.pieces.some(
      (p) => p.kind === 'answers' && p.made.learner === learner && p.of === page?.sheet.id,
    );
  function take(kept: KeptAnswers): void {
    notice = kept.notice;
    if (waits(kept.row.id)) return; // more of this row is on its way
    put(kept.row);
    if (page) page = { ...page, sheet: kept.sheet };
  }
  function put(made: AnswerRow): void {
    if (page) page = { ...page, children: page.children.map((c) => (c.id === made.id ? made : c)) };
  }
  async function reload(): Promise<void> {
    if (!page) return;
    try {
      page = await guarded(api<SheetAnswers>('GET', classPath(`/sheets/${page.sheet.id}`)));
    } catch (error) {
      trouble = troubleOf(error);
    }
  }

  const bare = (c: AnswerCell): boolean => !c.kept;
  const done = (c: AnswerRow): boolean => c.missing || c.cells.every((x) => x.kept);
  const typed = $derived(
    page?.children.filter((c) => c.missing || c.cells.some((x) => x.kept)).length ?? 0,
  );

  // What the answers of a child would show, read when its row is opened.
  let helps = $state.raw<Record<string, AnswerHelp>>({});
  $effect(() => {
    const of = child;
    const sheet = page?.sheet.id;
    if (!of || !sheet || page?.minute || untrack(() => helps[of.id])) return;
    void guarded(api<AnswerHelp>('GET', classPath(`/sheets/${sheet}/learners/${of.id}`)))
      .then((h) => (helps = { ...helps, [of.id]: h }))
      .catch(() => undefined); // the slip is not named, and nothing else is missing
  });

  /** Answers are compared as they are written; zeros before a number do not matter. */
  const plain = (text: string): string => text.trim().replace(/^0+(?=\d)/, '');
  const isRight = (text: string, c?: AnswerCell): boolean =>
    !!c && [c.result, c.also].includes(plain(text)) && text.trim() !== '';
  const enough = (text: string, c?: AnswerCell): boolean =>
    !!c && text !== '' && plain(text).length >= c.result.length;
  const told = (text: string, at: number): string => {
    const help = child && helps[child.id];
    const gave = help?.tasks[at]?.wrong.find((g) => g.answer === plain(text));
    return (gave?.slips ?? [])
      .map((ids) =>
        ids.map((id) => help!.slips[id]?.own || help!.slips[id]?.says || id).join(', and '),
      )
      .join(' – or: ');
  };
  const slipHere = $derived(draft && !isRight(draft, cell) ? told(draft, nth) : '');
  const also = $derived.by(() => {
    if (!slipHere || !child) return '';
    const others = child.cells.flatMap((c, i) =>
      i !== nth && c.kept && !c.kept.right && told(c.kept.answer, i) === slipHere
        ? [String(i + 1)]
        : [],
    );
    return others.length ? `The same at ${others.join(', ')}.` : '';
  });

  async function focus(): Promise<void> {
    await tick();
    field?.focus({ preventScroll: false });
    const at = field?.value.length ?? 0;
    field?.setSelectionRange(at, at);
  }

  function send(learner: AnswerRow, answers: OneAnswer[]): void {
    if (!page) return;
    const made = {
      id: newId(),
      learner: learner.id,
      day,
      answers,
      seenAt: new Date().toISOString().slice(0, 19) + 'Z',
    };
    const cells = learner.cells.map((c, i) => {
      const a = answers.find((x) => x.nth === i);
      if (!a) return c;
      if (a.wiped) return { ...c, kept: undefined };
      const answer = a.turned ? c.result : a.answer;
      return {
        ...c,
        kept: { record: a.id, answer, right: isRight(answer, c), turned: !!a.turned, day },
      };
    });
    put({ ...learner, cells });
    notice = '';
    void outbox.add(page.sheet.id, {
      kind: 'answers',
      made,
      says: `${learner.name}, sheet ${page.sheet.code}: ${answers.length === 1 ? `task ${answers[0]!.nth + 1}` : `${answers.length} answers`}`,
    });
  }
  const one = (c: AnswerCell, at: number, more: Partial<OneAnswer>): OneAnswer => ({
    id: newId(),
    nth: at,
    answer: '',
    replaces: c.kept?.record,
    ...more,
  });

  /** Keeps what is typed in the cell, if it is another answer than the one that is kept. */
  function settle(): void {
    if (!child || !cell || !may) return;
    const text = draft.trim();
    if (text !== '' && text !== cell.kept?.answer) send(child, [one(cell, nth, { answer: text })]);
    try {
      localStorage.removeItem(key());
    } catch {
      // nothing lies there
    }
  }
  function go(toRow: number, toNth: number): void {
    if (!page) return;
    settle();
    row = Math.max(0, Math.min(page.children.length - 1, toRow));
    nth = Math.max(0, Math.min((page.children[row]?.cells.length ?? 1) - 1, toNth));
    draft = page.children[row]?.cells[nth]?.kept?.answer ?? '';
    void focus();
  }
  function on(): void {
    if (!page || !child) return;
    if (down && !page.each) {
      const next = page.children.findIndex((c, i) => i > row && !c.missing);
      if (next >= 0) go(next, nth);
      else
        go(
          page.children.findIndex((c) => !c.missing),
          nth + 1,
        );
      return;
    }
    if (nth < child.cells.length - 1) go(row, nth + 1);
    else {
      const next = page.children.findIndex((c, i) => i > row && !done(c));
      go(next >= 0 ? next : Math.min(row + 1, page.children.length - 1), 0);
    }
  }
  function rest(): void {
    if (!child || !may) return;
    settle();
    const now = page!.children[row]!;
    const answers = now.cells.flatMap((c, i) => (c.kept ? [] : [one(c, i, { answer: c.result })]));
    if (answers.length) send(now, answers);
    const next = page!.children.findIndex((c, i) => i > row && !done(c));
    if (next >= 0) {
      row = next;
      nth = 0;
      draft = '';
    } else draft = page!.children[row]!.cells[nth]?.kept?.answer ?? '';
    void focus();
  }
  function none(): void {
    if (!child || !cell || !may) return;
    draft = '';
    if (!cell.kept || cell.kept.answer !== '') send(child, [one(cell, nth, { answer: '' })]);
    on();
  }
  function turned(): void {
    if (!child || !cell || !may) return;
    send(child, [one(cell, nth, { turned: true })]);
    draft = cell.result;
    on();
  }
  function wipe(): void {
    if (!child || !cell || !may) return;
    if (draft === '' && cell.kept)
      send(child, [one(cell, nth, { wiped: true, answer: cell.kept.answer })]);
    draft = '';
    note();
    void focus();
  }
  async function missing(): Promise<void> {
    if (!page || !child || !may) return;
    const to = { learner: child.id, missing: !child.missing };
    try {
      const kept = await saved(
        api<KeptAnswers>('PUT', classPath(`/sheets/${page.sheet.id}/missing`), to),
      );
      take(kept);
      if (to.missing) {
        const next = page.children.findIndex((c, i) => i > row && !done(c));
        if (next >= 0) go(next, 0);
      }
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  function type(text: string): void {
    draft = text.slice(0, 40);
    note();
  }
  const between = $derived(page?.between.id ?? '');
  function add(sign: string): void {
    type(draft + sign);
    void focus();
  }

  function keys(e: KeyboardEvent): void {
    const acts: Record<string, () => void> = {
      Enter: on,
      ArrowRight: () => go(row, nth + 1),
      ArrowLeft: () => go(row, nth - 1),
      ArrowDown: () => go(row + 1, nth),
      ArrowUp: () => go(row - 1, nth),
      r: rest,
      n: none,
      t: turned,
      m: () => void missing(),
    };
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    const caret = field?.selectionStart ?? 0;
    if (e.key === 'ArrowLeft' && caret > 0) return;
    if (e.key === 'ArrowRight' && caret < draft.length) return;
    if (e.key === ' ' && between) {
      e.preventDefault();
      if (!e.repeat) add(between);
      return;
    }
    if (e.key === 'Backspace' && draft === '' && cell?.kept) {
      e.preventDefault();
      if (!e.repeat) wipe();
      return;
    }
    const act = acts[e.key];
    if (!act) return;
    e.preventDefault();
    if (!e.repeat) act();
  }

  async function find(e: SubmitEvent): Promise<void> {
    e.preventDefault();
    if (code.trim()) await push(view(`answers/${code.trim().toUpperCase()}`));
  }
  const nextSays = $derived.by(() => {
    if (!page || !child) return 'Type the answers';
    if (down && !page.each) return `Next: ${page.children[row + 1]?.name ?? 'the next task'}`;
    if (nth < child.cells.length - 1) return `To the ${ORDINALS[nth + 1] ?? `task ${nth + 2}`}`;
    const next = page.children.find((c, i) => i > row && !done(c));
    return next ? `To ${next.name}` : 'Keep it';
  });
</script>

<Bench
  title="Answers back"
  personal
  keys={[
    ['0–9', 'type an answer'],
    ['enter', 'keep it and go on'],
    ['arrows', 'another answer or child'],
    ['backspace', 'wipe'],
    ['r', 'the rest of the row is right'],
    ['n', 'no answer'],
    ['t', 'a digit stands back to front'],
    ['m', 'not handed in'],
  ]}
  shelfSays={page ? page.sheet.code : 'sheets that are out'}
  bookSays={child?.name ?? ''}
  first={params.sheet ? 'book' : 'shelf'}
  lead={params.sheet ? 'mat' : 'shelf'}
  drawer={300}
>
  {#snippet shelf()}
    <h1>Sheets that are out</h1>
    {#if all || trouble}<!-- all at once: nothing moves under a finger -->
      <div class="out" role="group" aria-label="Sheets that are out">
        {#each all?.out ?? [] as o (o.id)}
          <button
            aria-pressed={o.id === page?.sheet.id}
            onclick={() => {
              settle();
              void push(view(`answers/${o.code}`));
            }}
          >
            <Sign kind={o.kind} />
            <span
              ><b>{o.code}</b>
              {o.name}<small
                >{o.day}, {o.id === page?.sheet.id
                  ? `${typed} of ${o.children} typed`
                  : o.says}</small
              ></span
            >
          </button>
        {:else}
          <p class="small">None yet. A sheet that was printed stands here.</p>
        {/each}
      </div>
      <form onsubmit={find}>
        <label for="sheet-code">Code at the foot of a sheet</label>
        <span class="code">
          <input
            id="sheet-code"
            bind:value={code}
            maxlength="12"
            class:wrong={trouble?.field === 'code'}
          />
          <Plain type="submit">Open</Plain>
        </span>
      </form>
      {#if page && !page.minute}
        <h2 id="goes">The keys go</h2>
        <Sides
          labelledby="goes"
          sides={[
            { value: '', name: '→ across' },
            { value: 'down', name: '↓ down' },
          ]}
          now={down ? 'down' : ''}
          onset={(v) => {
            if (v && page?.each)
              notice = 'Down needs the same tasks for all: here each child has its own.';
            else down = v === 'down';
            void focus();
          }}
        />
        <p class="small">across is one child’s sheet, down one task of all</p>
        <label for="sheet-day">Worked on</label>
        <input
          id="sheet-day"
          type="date"
          max={page.today}
          bind:value={day}
          onchange={() => void focus()}
        />
        {#if child && may}
          <div class="acts">
            <Plain onclick={rest}>All the rest right {shared.signs ? '· r' : ''}</Plain>
            <Plain onclick={() => void missing()}
              >{child.missing ? 'It was handed in' : 'Not handed in'}
              {shared.signs ? '· m' : ''}</Plain
            >
          </div>
        {/if}
      {/if}
      <p class="links">
        <a href={view('table')} use:link>Read in a table of answers</a>
      </p>
    {/if}
  {/snippet}

  {#snippet mat()}
    <div class="all">
      {#if trouble}<Wrong {trouble} />{/if}
      {#if page}
        <div class="head">
          <h1>{page.sheet.code}, {page.sheet.name}</h1>
          <span class="small"
            >{page.each ? 'each child its own numbers' : 'the same tasks for all'}, printed {page
              .sheet.day}</span
          >
        </div>
        {#each page.left as l (l)}<p class="warn private">{l}</p>{/each}
        {#if page.minute}
          <MinuteRows
            rows={page.children}
            facts={page.facts}
            sheet={page.sheet.id}
            today={page.today}
            onrow={put}
          />
        {:else if page.children.length}
          <table>
            <thead>
              <tr>
                <th scope="col"><span class="unseen">child</span></th>
                {#each page.children[0]!.cells as c, i (i)}<th
                    scope="col"
                    title={page.each ? '' : c.text}>{i + 1}</th
                  >{/each}
              </tr>
            </thead>
            <tbody>
              {#each page.children as c, r (c.id)}
                <tr class:open={r === row}>
                  <th scope="row" class="private">{c.name}</th>
                  {#if c.missing && r !== row}
                    <td class="gone" colspan={c.cells.length}>
                      <button onclick={() => go(r, 0)}>not handed in</button>
                    </td>
                  {:else}
                    {#each c.cells as x, i (i)}
                      <td>
                        {#if r === row}<span class="task" class:now={i === nth}>{x.text}</span>{/if}
                        {#if r === row && i === nth && may}
                          <input
                            bind:this={field}
                            class="cell now"
                            class:bad={draft !== '' && enough(draft, x) && !isRight(draft, x)}
                            class:good={isRight(draft, x)}
                            inputmode="none"
                            autocomplete="off"
                            value={draft}
                            aria-label="{c.name}, task {i + 1}: {x.text}"
                            oninput={(e) =>
                              type(
                                e.currentTarget.value.replace(/[a-z]/gi, (s) =>
                                  'r'.includes(s) && between ? s : '',
                                ),
                              )}
                            onkeydown={keys}
                          />
                        {:else}
                          <button
                            class="cell"
                            class:bare={!x.kept}
                            class:bad={x.kept && !x.kept.right}
                            aria-label="{c.name}, task {i + 1}: {x.kept
                              ? x.kept.answer || 'no answer'
                              : 'not typed'}{x.kept && !x.kept.right ? ', wrong' : ''}"
                            onclick={() => go(r, i)}
                            >{x.kept ? x.kept.answer || '–' : ''}{#if x.kept?.turned}<sup>t</sup
                              >{/if}</button
                          >
                        {/if}
                      </td>
                    {/each}
                  {/if}
                </tr>
              {/each}
            </tbody>
          </table>
        {:else}
          <p class="none">All children of this sheet were erased: nothing about them is kept.</p>
        {/if}
      {:else if !trouble}
        <p class="none">
          Choose a sheet on the shelf, or type the code that stands at its foot: a letter and a
          digit, like K7. Its tasks come back, and the answers are judged as you type.
        </p>
      {/if}
    </div>
  {/snippet}

  {#snippet book()}
    {#if page && child && cell && !page.minute}
      <h1 class="private">{child.name}, the {ORDINALS[nth] ?? nth + 1}</h1>
      {@const help = helps[child.id]?.tasks[nth]}
      <div class="answer">
        <div>
          <div class="work">
            {#if help?.numbers.length}
              <Written
                numbers={help.numbers}
                sign={help.sign}
                result={draft || cell.kept?.answer || ''}
                right={draft && !isRight(draft, cell) ? cell.result : ''}
                size={34}
                cell={26}
              />
            {:else}
              <span class="kid big">{cell.text}</span>
              <span class="kid big">{draft || cell.kept?.answer || ''}</span>
            {/if}
            <p class="small">right: {cell.result}</p>
          </div>
          {#if draft && enough(draft, cell) && !isRight(draft, cell)}
            <p class="slip" role="status">
              {#if slipHere}<b>{slipHere}.</b> {also}{:else if help}No usual slip gives this.{/if}
              <span>Does the paper say {draft}?</span>
            </p>
          {/if}
          {#if notice}<p class="small" role="status">{notice}</p>{/if}
        </div>
        {#if may}
          <div>
            <div class="pad" role="group" aria-label="Number keys">
              {#each ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'] as d (d)}
                <button onclick={() => add(d)}>{d}</button>
              {/each}
            </div>
            <div class="pad words">
              {#if between}<button onclick={() => add(between)}>{page.between.name}</button>{/if}
              <button onclick={wipe}>wipe</button>
              <button onclick={none}>no answer</button>
              <button onclick={turned}>turned digit</button>
            </div>
          </div>
        {/if}
      </div>
      <p class="links">
        <a href="/api{classPath(`/sheets/${page.sheet.id}/print.pdf`)}" download
          >Print this sheet again</a
        >
        {#if shared.desk?.class.role === 'lead'}
          <a href="/api{classPath(`/sheets/${page.sheet.id}/answers.csv`)}" download
            >The answers as a table</a
          >
        {/if}
      </p>
    {/if}
  {/snippet}

  {#snippet foot()}
    {#if page && !page.minute}
      <Next label={nextSays} key="enter" disabled={!may || !child} onclick={on} />
    {/if}
  {/snippet}
</Bench>

<style>
  .out {
    display: grid;
    margin: 6px -8px 0;
  }
  .out button {
    display: grid;
    grid-template-columns: 38px 1fr;
    align-items: center;
    gap: 8px;
    min-height: 56px;
    padding: 4px 8px;
    border-left: 4px solid transparent;
    line-height: 18px;
    text-align: left;
  }
  .out button[aria-pressed='true'] {
    background: var(--leaf-tint);
    border-left-color: var(--leaf);
  }
  .out small {
    display: block;
    font-size: var(--t1);
    color: var(--ink-2);
  }
  label,
  h2 {
    display: block;
    margin: 14px 0 4px;
    font-size: 15px;
    font-weight: 650;
    color: var(--ink-2);
  }
  .code {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 8px;
  }
  form input,
  #sheet-day {
    width: 100%;
    min-width: 0;
    min-height: 44px;
    padding: 0 10px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--paper);
    font: inherit;
  }
  #sheet-code {
    font-family: var(--kid);
    text-transform: uppercase;
  }
  .wrong {
    border-color: var(--clay);
    border-width: 2.5px;
  }
  .acts {
    display: grid;
    gap: 8px;
    margin-top: 12px;
  }
  .links {
    display: grid;
    margin-top: 12px;
  }
  .links a {
    display: flex;
    align-items: center;
    min-height: 44px;
    color: var(--leaf-deep);
  }
  .all {
    height: 100%;
    padding: 14px 20px;
    overflow: auto;
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    justify-content: space-between;
    gap: 4px 12px;
    margin-bottom: 8px;
  }
  .warn {
    margin-bottom: 8px;
    color: var(--clay-ink);
  }
  .none {
    max-width: 460px;
    margin: 15% auto 0;
    font-size: var(--t3);
    line-height: 1.5;
    color: var(--ink-2);
  }
  table {
    width: 100%;
    border-collapse: collapse;
    font-family: var(--kid);
  }
  th {
    font-weight: 400;
    text-align: center;
    color: var(--ink-2);
  }
  th[scope='row'] {
    max-width: 130px;
    padding-right: 8px;
    text-align: left;
    color: var(--ink);
    overflow-wrap: anywhere;
    line-height: 18px;
  }
  tr {
    border-bottom: 1px solid var(--line);
  }
  td {
    height: 46px;
    padding: 1px 2px;
    text-align: center;
  }
  tr.open {
    background: var(--sheet);
  }
  tr.open td {
    height: 84px;
  }
  tr.open th {
    font-weight: 700;
  }
  .task {
    display: block;
    font-size: var(--t1);
    margin-bottom: 3px;
    line-height: 18px;
    color: var(--ink-2);
    white-space: nowrap;
  }
  .task.now {
    font-weight: 700;
    color: var(--ink);
  }
  .cell {
    width: 100%;
    max-width: 74px;
    min-width: 44px;
    height: 44px;
    border: 1.5px solid transparent;
    border-radius: var(--r2);
    background: transparent;
    font: 400 18px / 1 var(--kid);
    text-align: center;
    color: var(--ink);
  }
  .cell.bare {
    border: 1.5px dashed var(--edge);
  }
  .cell.bad {
    border-color: var(--clay);
    background: var(--card);
    color: var(--clay-ink);
    transform: rotate(-3deg);
  }
  .cell.now {
    border: 3px solid var(--leaf);
    background: var(--card);
    transform: none;
  }
  .cell.now.bad {
    color: var(--clay-ink);
  }
  .cell.now.good {
    color: var(--leaf-deep);
  }
  .gone button {
    width: 100%;
    min-height: 44px;
    color: var(--ink-2);
    font-style: italic;
  }
  .work {
    display: grid;
    justify-items: end;
    gap: 4px;
    margin: 6px 0;
    padding-right: 24px;
  }
  .big {
    font-size: 30px;
  }
  .slip {
    margin-bottom: 8px;
  }
  .slip b {
    color: var(--clay-ink);
  }
  .slip span {
    display: block;
    color: var(--ink-2);
  }
  .pad {
    display: grid;
    grid-template-columns: repeat(5, 1fr);
    gap: 6px;
  }
  .pad button {
    min-height: 46px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--paper);
    font: 400 20px / 1 var(--kid);
    text-align: center;
  }
  .pad.words {
    grid-template-columns: none;
    grid-auto-flow: column;
    grid-auto-columns: 1fr;
    margin-top: 6px;
  }
  .pad.words button {
    font: 400 15px / 17px var(--text);
  }
  @media (min-width: 700.1px) and (max-width: 900px) {
    .answer {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 24px;
    }
    .work {
      margin-top: 0;
    }
  }
</style>

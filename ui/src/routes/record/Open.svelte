<script lang="ts">
  // One child on a white page: the answer as given, the help, the manner, and a
  // sentence whose words are touched.
  import Tick from '../../lib/parts/Tick.svelte';
  import HelpSign from '../../lib/pieces/HelpSign.svelte';
  import MannerLeaf from '../../lib/pieces/MannerLeaf.svelte';
  import { shared } from '../../lib/state.svelte';
  import type { Key, Named, Observe, Record as Page } from '../../lib/wire.gen';
  import { figures, sawIn, typed, wiped, withSeen, without } from './answer';

  let {
    page,
    manners: named,
    parts = [],
    saw = '',
    draft = $bindable(),
    expected,
    between,
    keys = [],
    seen = [],
    touched = $bindable(),
    lead,
    hasNote,
    slip = '',
    onnothing,
  }: {
    page: Pick<Page, 'helps' | 'ways' | 'today'>;
    manners: Named[]; // of the stage of the task
    parts?: Named[]; // the places in which it is worked
    saw?: string; // how the mat saw the child
    draft: Observe;
    expected: string; // the right answer, as it is written
    between: Named; // what can stand between the parts of an answer
    keys?: Key[]; // answers of one touch, where it is not answered in figures
    seen?: string[]; // slips that are seen in the moves, as they stand behind an answer
    touched: boolean;
    lead: boolean;
    hasNote: boolean;
    slip?: string; // what the answer that is typed means
    onnothing: () => void;
  } = $props();

  const limits = $derived(shared.desk!.limits);
  let field = $state<HTMLTextAreaElement>();
  let noting = $state(false);
  let dating = $state(false);

  /** Opens the note and goes to it. */
  export function note(): void {
    noting = true;
    setTimeout(() => field?.focus());
  }

  const sees = $derived(sawIn(draft.answer, seen));
  const bare = $derived(without(draft.answer, sees));
  const wrong = $derived(
    draft.came === 'typed' &&
      !(draft.part?.length && draft.answer && !slip) && // which of its places are right, the server tells
      (keys.length
        ? draft.answer !== expected
        : !!sees || figures(draft.answer) !== figures(expected)),
  );
  /** Puts a place to the child's own ones, or takes it away; none of them is the whole. */
  function own(place: string): void {
    const had = draft.part ?? [];
    const now = had.includes(place) ? had.filter((p) => p !== place) : [...had, place];
    set({ part: now.length < parts.length ? now : [] });
  }
  function set(change: Partial<Observe>): void {
    draft = { ...draft, ...change };
    touched = true;
  }
  // What was written before is replaced by the first digit, not added to.
  let begun = $state(false);
  function give(answer: string): void {
    begun = true;
    set({ answer, came: 'typed' });
  }
  /** A figure more; where answers are of one touch, the one of that number. */
  export const digit = (d: string): void => {
    if (!keys.length) give(withSeen(typed(begun ? bare : '', d, limits.answer, between.id), sees));
    else if (keys[Number(d) - 1]) give(keys[Number(d) - 1]!.given);
  };
  /** An answer by its key on the keyboard. */
  export function key(k: string): void {
    const one = keys.find((x) => x.key === k);
    if (one) give(one.given);
  }
  export const rest = (): void => {
    if (between.id) digit(between.id);
  };
  export const wipe = (): void =>
    give(
      draft.came === 'typed' && !keys.length && bare ? withSeen(wiped(bare, between.id), sees) : '',
    );
  /** A slip that was seen stands behind the answer, whatever came out; touched again it goes. */
  function see(slip: string): void {
    const off = sees === slip;
    set({
      answer: withSeen(bare, off ? '' : slip),
      came: off && bare === expected ? 'marked' : 'typed',
    });
  }
  export function right(): void {
    begun = false;
    set({ answer: expected, came: 'marked' });
  }
  const none = (): void => give('');
  /** The runs to choose from: a few more than there were, up to the last one that can be. */
  const runs = $derived(
    Array.from({ length: Math.min(limits.runs, Math.max(9, draft.runs + 1)) }, (_, i) => i + 1),
  );
  const times = $derived(shared.desk!.words.times);
  const manners = $derived(named.map((m) => m.id));
</script>

<div class="answer" class:wrong role="status" aria-label="Answer: {draft.answer || 'none'}">
  <span class="kid" class:long={draft.answer.length > 16}>{draft.answer || 'no answer'}</span>
</div>
{#if slip}<p class="slip" role="status">{slip}</p>{/if}
{#if parts.length > 1}
  <p class="small saw">Its own work{saw ? `: ${saw}` : ''}</p>
  <div class="own" role="group" aria-label="What the child worked itself">
    <button aria-pressed={!draft.part?.length} onclick={() => set({ part: [] })}>all</button>
    {#each parts as p (p.id)}
      <button
        aria-pressed={draft.part?.includes(p.id) ?? false}
        style:color="var(--{p.id}-ink)"
        onclick={() => own(p.id)}>{p.name}</button
      >
    {/each}
  </div>
{/if}
{#if saw && parts.length < 2}<p class="small saw">{saw}</p>{/if}
<div class="halves">
  <div>
    <div class="three">
      <button
        class="right"
        class:long={expected.length > 10}
        aria-pressed={draft.came !== 'typed'}
        onclick={right}><Tick /> right <span class="kid">{expected}</span></button
      >
      <button onclick={none} aria-pressed={draft.came === 'typed' && draft.answer === ''}
        >no answer</button
      >
      {#if between.id}<button onclick={rest}>{between.name}</button>{/if}
      <button onclick={wipe}>clear</button>
    </div>
    {#if keys.length}
      <div class="ways" role="group" aria-label="Answer">
        {#each keys as k (k.given)}<button
            class="kid"
            aria-pressed={draft.answer === k.given}
            onclick={() => give(k.given)}>{k.name}</button
          >{/each}
      </div>
    {:else}
      {#if seen.length}
        <div class="ways" role="group" aria-label="Seen in the moves">
          {#each seen as s (s)}<button class="seen" aria-pressed={sees === s} onclick={() => see(s)}
              >{s}</button
            >{/each}
        </div>
      {/if}
      <div class="keys" role="group" aria-label="Answer in digits">
        {#each '1234567890' as d (d)}<button class="kid" onclick={() => digit(d)}>{d}</button
          >{/each}
      </div>
    {/if}
  </div>
  <div>
    <div class="helps" role="radiogroup" aria-label="Help">
      {#each page.helps as h (h.id)}
        <button role="radio" aria-checked={draft.help === h.id} onclick={() => set({ help: h.id })}>
          <HelpSign help={h.id} size={22} />{h.name}
        </button>
      {/each}
    </div>
    <div class="manners" role="radiogroup" aria-label="How it was worked">
      {#each named as m (m.id)}
        <button
          role="radio"
          aria-checked={draft.manner === m.id}
          onclick={() => set({ manner: m.id })}
          ><MannerLeaf manner={m.id} {manners} size={26} />{m.name}</button
        >
      {/each}
    </div>
    <p class="sentence">
      <select
        aria-label="How it was worked out"
        value={draft.way}
        onchange={(e) => set({ way: e.currentTarget.value })}
      >
        {#each page.ways as way (way.id)}<option value={way.id}>{way.name}</option>{/each}
      </select>
      <button aria-pressed={draft.chosen} onclick={() => set({ chosen: !draft.chosen })}
        >{draft.chosen ? 'the child chose it' : 'chosen for the child'}</button
      >
      <select
        aria-label="Which time"
        value={String(draft.runs)}
        onchange={(e) => set({ runs: Number(e.currentTarget.value) })}
      >
        {#each runs as run (run)}
          <option value={String(run)}>{times[run - 1] ?? `${run} times`}</option>
        {/each}
      </select>
      {#if dating}
        <input
          type="date"
          aria-label="Day"
          max={page.today}
          value={draft.day}
          onchange={(e) => e.currentTarget.value && set({ day: e.currentTarget.value })}
        />
      {:else}
        <button onclick={() => (dating = true)}
          >{draft.day === page.today ? 'today' : `on ${draft.day}`}</button
        >
      {/if}
      <button aria-expanded={noting} onclick={() => (noting = !noting)}
        >{draft.note || hasNote ? 'the note' : 'add a note'}</button
      >
      <button onclick={onnothing}>nothing to record</button>
    </p>
    {#if noting}
      <textarea
        bind:this={field}
        aria-label="Note"
        rows="2"
        placeholder={lead || !hasNote
          ? 'only the lead of the class sees it'
          : 'there is a note; what you write replaces it'}
        value={draft.note ?? ''}
        oninput={(e) => set({ note: e.currentTarget.value })}></textarea>
    {/if}
  </div>
</div>

<style>
  .answer {
    display: flex;
    justify-content: flex-end;
    margin: -44px 0 8px;
    pointer-events: none;
  }
  .answer span {
    min-width: 96px;
    padding: 2px 12px;
    border: 2px solid var(--leaf);
    border-radius: var(--r2);
    background: var(--sheet);
    font-size: 26px;
    line-height: 36px;
    text-align: right;
  }
  .answer:has(.long) {
    margin-top: 0;
  }
  .answer span.long {
    font-size: 18px;
    line-height: 28px;
  }
  .answer.wrong span {
    border-color: var(--clay);
    color: var(--clay-ink);
    transform: rotate(-2deg);
  }
  .slip {
    margin: -4px 0 6px;
    color: var(--clay-ink);
    font-size: var(--t1);
    font-weight: 650;
    line-height: 18px;
  }
  .slip::first-letter {
    text-transform: uppercase;
  }
  .own {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 5px;
    margin-bottom: 6px;
  }
  .own button {
    flex: 1 1 auto;
    min-width: 44px;
    padding: 0 4px;
    border: 1px solid var(--edge);
    border-radius: var(--r2);
    background: var(--paper);
    font-size: var(--t1);
    text-align: center;
  }
  .own [aria-pressed='true'] {
    border-color: var(--leaf);
    background: var(--leaf-tint);
    font-weight: 650;
  }
  .saw {
    margin-bottom: 2px;
  }
  .three,
  .keys,
  .helps,
  .manners {
    display: grid;
    gap: 5px;
    margin-bottom: 6px;
  }
  .three {
    display: flex;
    flex-wrap: wrap;
  }
  .three button {
    flex: 1 1 64px;
  }
  .keys {
    grid-template-columns: repeat(5, 1fr);
  }
  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: 5px;
    margin-bottom: 6px;
  }
  .ways button {
    flex: 1 1 40%;
  }
  .ways .seen {
    font-size: var(--t1);
    line-height: 18px;
  }
  .seen[aria-pressed='true'] {
    border-color: var(--clay);
    color: var(--clay-ink);
    font-weight: 650;
  }
  .helps {
    grid-template-columns: repeat(5, minmax(max-content, 1fr));
  }
  .manners {
    grid-auto-flow: column;
    grid-auto-columns: 1fr;
  }
  .manners button {
    justify-content: flex-start;
  }
  button,
  select,
  input {
    min-height: 44px;
  }
  .three button,
  .ways button,
  .keys button {
    border: 1px solid var(--edge);
    border-radius: var(--r2);
    background: var(--paper);
    text-align: center;
    padding: 0 2px;
  }
  .ways button,
  .keys button {
    font-size: 20px;
  }
  .three .right {
    display: flex;
    align-items: center;
    justify-content: center;
    gap: 6px;
    border: 1.5px solid var(--leaf);
    color: var(--leaf);
    font-weight: 650;
  }
  .three .long {
    flex-basis: 100%; /* several parts: a line of its own */
  }
  .ways button[aria-pressed='true'],
  .three button[aria-pressed='true'] {
    background: var(--leaf-tint);
  }
  .helps button,
  .manners button {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    padding: 2px 0;
    border: 1px solid var(--line);
    text-align: center;
    border-radius: var(--r2);
    font-size: var(--t1);
    line-height: 16px;
  }
  .helps [aria-checked='true'],
  .manners [aria-checked='true'] {
    border-color: var(--leaf);
    background: var(--leaf-tint);
    font-weight: 650;
  }
  .sentence {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 5px;
    font-size: var(--t1);
  }
  .sentence button,
  .sentence select,
  .sentence input {
    padding: 0 8px;
    border: 1px solid var(--edge);
    border-radius: var(--r2);
    background: var(--paper);
    font: 400 var(--t1) var(--text);
    color: var(--ink);
    cursor: pointer;
  }
  .sentence select {
    max-width: 132px;
  }
  .sentence input {
    width: 116px;
  }
  .sentence button[aria-pressed='true'] {
    border-color: var(--leaf);
    background: var(--leaf-tint);
  }
  @media (min-width: 700.1px) and (max-width: 900px) {
    .halves {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 16px;
    }
  }
  textarea {
    width: 100%;
    padding: 6px 8px;
    border: 1px solid var(--edge);
    border-radius: var(--r2);
    background: var(--paper);
    font: inherit;
    font-size: var(--t1);
    color: inherit;
    resize: none;
  }
</style>

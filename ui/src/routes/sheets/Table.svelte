<script lang="ts">
  // A table of answers is read in: sent in parts, checked line by line, and then kept or not.
  import { onDestroy } from 'svelte';
  import { link } from 'svelte-spa-router';
  import { api, long, told } from '../../lib/api';
  import Bench from '../../lib/bench/Bench.svelte';
  import { newId } from '../../lib/id';
  import Next from '../../lib/parts/Next.svelte';
  import Plain from '../../lib/parts/Plain.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import { classPath, saved, shared, troubleOf, view } from '../../lib/state.svelte';
  import type { Imported, Trouble } from '../../lib/wire.gen';

  const PART = 60_000; // bytes of the file in one request

  let file = $state.raw<File>();
  let id = $state('');
  let code = $state('');
  let got = $state.raw<Imported>();
  let far = $state.raw<{ says: string; done: number; of: number }>();
  let trouble = $state<Trouble>();
  let stop: AbortController | undefined;
  onDestroy(() => stop?.abort());

  async function base64(part: Blob): Promise<string> {
    const bytes = new Uint8Array(await part.arrayBuffer());
    let text = '';
    for (let i = 0; i < bytes.length; i += 8192) {
      text += String.fromCharCode(...bytes.subarray(i, i + 8192));
    }
    return btoa(text);
  }
  function choose(chosen?: File): void {
    if (!chosen) return;
    file = chosen;
    got = undefined;
    trouble = undefined;
    void send();
  }
  async function send(): Promise<void> {
    const of = file;
    if (!of || far) return;
    const own = (stop = new AbortController());
    id = newId();
    try {
      far = { says: 'Sending', done: 0, of: of.size };
      await api('POST', classPath('/imports'), { id, bytes: of.size });
      for (let at = 0, nth = 0; at < of.size; at += PART, nth++) {
        const data = await base64(of.slice(at, at + PART));
        await long(classPath(`/imports/${id}/parts`), { nth, data }, own.signal);
        far = { says: 'Sending', done: Math.min(of.size, at + PART), of: of.size };
        if (own.signal.aborted) break;
      }
      far = undefined;
      if (!own.signal.aborted) await read('');
    } catch (error) {
      if (!own.signal.aborted) trouble = troubleOf(error);
    } finally {
      far = undefined;
    }
  }
  async function read(keep: '' | 'good' | 'all'): Promise<void> {
    if (far) return;
    const own = (stop = new AbortController());
    far = { says: keep ? 'Keeping' : 'Reading', done: 0, of: 0 };
    try {
      const last = await saved(
        told<Imported>(classPath(`/imports/${id}`), { code, keep }, own.signal, (line) => {
          far = {
            says: line.phase === 'keep' ? 'Keeping' : 'Reading',
            done: line.done,
            of: line.of,
          };
        }),
      );
      if (last?.ended) got = last;
      trouble = undefined;
      shared.said = last?.says ?? '';
    } catch (error) {
      trouble = troubleOf(error);
    } finally {
      far = undefined;
    }
  }
  function giveUp(): void {
    stop?.abort();
    far = undefined;
    if (id) void api('DELETE', classPath(`/imports/${id}`)).catch(() => undefined);
    got = undefined;
    file = undefined;
  }
</script>

<Bench
  title="A table of answers"
  personal
  shelfSays={file?.name ?? 'choose a file'}
  bookSays={got?.says ?? ''}
  first="shelf"
  lead="shelf"
>
  {#snippet shelf()}
    <h1>A table of answers</h1>
    <p class="small">
      CSV from any spreadsheet, with the columns learner, problem, answer, and day if you like
    </p>
    <label class="file" class:off={!shared.mayPresent}>
      <input
        type="file"
        accept=".csv,text/csv,text/plain"
        disabled={!shared.mayPresent || !!far}
        onchange={(e) => {
          choose(e.currentTarget.files?.[0]);
          e.currentTarget.value = '';
        }}
      />
      <span>{file ? 'Another file' : 'Choose the file'}</span>
    </label>
    {#if file}<p class="name">{file.name}</p>{/if}
    <label for="table-code">Code of the sheet that it answers</label>
    <input
      id="table-code"
      bind:value={code}
      maxlength="12"
      placeholder="none"
      class:wrong={trouble?.field === 'code'}
      onchange={() => id && !got?.kept && file && void read('')}
    />
    <p class="small">
      Without a code the answers count as worked alone in the column; with one, as the sheet has it.
    </p>
    <p class="links"><a href={view('answers')} use:link>Type answers instead</a></p>
  {/snippet}

  {#snippet mat()}
    <div class="all">
      {#if trouble}<Wrong {trouble} />{/if}
      {#if far}
        <div class="far" role="status">
          <p>
            {far.says}{far.of
              ? `: ${Math.round((100 * far.done) / far.of)} %`
              : far.done
                ? `: line ${far.done}`
                : ''}
          </p>
          <progress max={far.of || 1} value={far.of ? far.done : undefined} aria-label={far.says}
          ></progress>
          <Plain onclick={giveUp}>Give it up</Plain>
        </div>
      {:else if got}
        <h1 role="status">{got.says}</h1>
        {#if got.lines.length}
          <table>
            <thead><tr><th>line</th><th>child</th><th>why it cannot be kept</th></tr></thead>
            <tbody>
              {#each got.lines as l (l.line)}
                <tr><td>{l.line}</td><td class="private">{l.who}</td><td>{l.why}</td></tr>
              {/each}
            </tbody>
          </table>
          {#if got.bad > got.lines.length}
            <p class="small">and {got.bad - got.lines.length} more lines</p>
          {/if}
        {:else if got.kept}
          <p>The answers stand in the book, on the page of each child.</p>
        {/if}
      {:else}
        <pre class="kid">learner,problem,answer,day
Ada W.,47+25,72,2026-11-24
Finn O.,503-128,385,</pre>
        <p class="none">
          Nothing is kept before you have seen which lines can be: each of the others is named with
          its reason.
        </p>
      {/if}
    </div>
  {/snippet}

  {#snippet book()}
    {#if got && !got.kept}
      <h1>{got.good} {got.good === 1 ? 'answer' : 'answers'}</h1>
      {#if got.bad}
        <p>
          {got.bad}
          {got.bad === 1 ? 'line' : 'lines'} cannot be kept. Keep the others now, or give it up, mend
          the table and choose it once more.
        </p>
      {/if}
      <Plain onclick={giveUp}>Keep none of them</Plain>
    {:else if got?.kept}
      <h1>Kept</h1>
      <p>{got.says}</p>
    {:else}
      <p class="small">How many answers can be kept stands here, once the file is read.</p>
    {/if}
  {/snippet}

  {#snippet foot()}
    {#if got && !got.kept && got.good}
      <Next
        label={got.bad ? `Keep the ${got.good} good ones` : `Keep all ${got.good}`}
        disabled={!!far || !shared.mayPresent}
        onclick={() => void read(got?.bad ? 'good' : 'all')}
      />
    {/if}
  {/snippet}
</Bench>

<style>
  .file {
    position: relative;
    display: grid;
    place-items: center;
    min-height: 64px;
    margin-top: 12px;
    border: 2px dashed var(--edge);
    border-radius: var(--r2);
    background: var(--paper);
    font-weight: 650;
    color: var(--leaf-deep);
  }
  .file:focus-within {
    outline: 3px solid var(--leaf);
    outline-offset: 2px;
  }
  .file input {
    position: absolute;
    inset: 0;
    opacity: 0;
    cursor: pointer;
  }
  .file.off {
    color: var(--ink-2);
  }
  .name {
    margin-top: 6px;
    overflow-wrap: anywhere;
  }
  label:not(.file) {
    display: block;
    margin: 16px 0 4px;
    font-size: 15px;
    font-weight: 650;
    color: var(--ink-2);
  }
  #table-code {
    width: 100%;
    min-height: 44px;
    padding: 0 10px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--paper);
    font: 400 18px / 1 var(--kid);
    text-transform: uppercase;
  }
  #table-code::placeholder {
    text-transform: none;
  }
  #table-code.wrong {
    border-color: var(--clay);
    border-width: 2.5px;
  }
  .links a {
    display: flex;
    align-items: center;
    min-height: 44px;
    color: var(--leaf-deep);
  }
  .all {
    height: 100%;
    padding: 20px 24px;
    overflow: auto;
  }
  .far {
    display: grid;
    gap: 12px;
    max-width: 420px;
    margin: 12% auto 0;
  }
  progress {
    width: 100%;
    height: 12px;
    accent-color: var(--leaf);
  }
  table {
    width: 100%;
    margin-top: 12px;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 8px 10px 8px 0;
    border-bottom: 1px solid var(--line);
    text-align: left;
    vertical-align: top;
    overflow-wrap: anywhere;
  }
  th {
    color: var(--ink-2);
    font-weight: 400;
  }
  pre {
    width: fit-content;
    margin: 8% auto 0;
    padding: 16px 20px;
    border: 1px solid var(--line);
    background: var(--sheet);
    font-size: 17px;
    line-height: 1.6;
    white-space: pre-wrap;
  }
  .none {
    max-width: 440px;
    margin: 16px auto 0;
    color: var(--ink-2);
  }
</style>

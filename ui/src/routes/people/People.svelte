<script lang="ts">
  // Who belongs to the class: children are added, renamed, moved and let go;
  // adults are invited by a link that works once.
  import { onMount } from 'svelte';
  import { link, push } from 'svelte-spa-router';
  import { api } from '../../lib/api';
  import { newId } from '../../lib/id';
  import Bench from '../../lib/bench/Bench.svelte';
  import { shortcuts } from '../../lib/keys';
  import Doors from '../../lib/parts/Doors.svelte';
  import Next from '../../lib/parts/Next.svelte';
  import Plain from '../../lib/parts/Plain.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import {
    classPath,
    guarded,
    loadDesk,
    loadMe,
    saved,
    shared,
    troubleOf,
    view,
  } from '../../lib/state.svelte';
  import type {
    ChangeLearner,
    ChangeMember,
    Enrolled,
    Invited,
    KeepApart,
    Member,
    People,
    Trouble,
  } from '../../lib/wire.gen';

  const desk = $derived(shared.desk!);
  let people = $state.raw<People>();
  let trouble = $state<Trouble>(); // of the whole
  let wrong = $state<Trouble>(); // beside the names to be added
  let names = $state('');
  let told = $state(''); // what the children that are added can do
  let open = $state(''); // the child whose page of changes is open
  let renamed = $state('');
  let childWrong = $state<Trouble>();
  let invited = $state<Invited>();
  let back = $state<{ name: string; id: string }>();
  let adult = $state(''); // the adult whose role can be changed
  let adultWrong = $state<Trouble>();

  const lines = $derived(
    names
      .split(/[\n;,]/)
      .map((n) => n.trim())
      .filter((n) => n),
  );

  function take(got: People): void {
    people = got;
    trouble = undefined;
    void loadDesk(desk.class.id);
  }
  async function load(): Promise<void> {
    try {
      people = await guarded(api<People>('GET', classPath('/people')));
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  async function add(event?: Event): Promise<void> {
    event?.preventDefault();
    if (!lines.length) return;
    const learners = lines.map((name) => ({ id: newId(), name }));
    try {
      take(await saved(api<People>('POST', classPath('/learners'), { learners, told })));
      shared.said = `${lines.join(', ')} added`;
      names = '';
      wrong = undefined;
    } catch (error) {
      wrong = troubleOf(error); // what was typed stays
    }
  }
  async function change(c: { id: string }, body: ChangeLearner): Promise<boolean> {
    try {
      take(await saved(api<People>('PATCH', classPath(`/learners/${c.id}`), body)));
      childWrong = undefined;
      return true;
    } catch (error) {
      childWrong = troubleOf(error);
      return false;
    }
  }
  const nameOf = (id: string): string | undefined =>
    people?.children.find((c) => c.id === id)?.name;
  /** Those from whom a child is kept apart. */
  const apartFrom = (id: string): { id: string; name: string }[] =>
    (people?.apart ?? [])
      .filter((p) => p.one === id || p.other === id)
      .map((p) => (p.one === id ? p.other : p.one))
      .map((other) => ({ id: other, name: nameOf(other) ?? '' }))
      .sort((a, b) => a.name.localeCompare(b.name));
  async function keepApart(one: string, other: string, apart: boolean): Promise<void> {
    if (!other) return;
    const body: KeepApart = { one, other, apart };
    try {
      take(await saved(api<People>('PUT', classPath('/apart'), body)));
      childWrong = undefined;
    } catch (error) {
      childWrong = troubleOf(error);
    }
  }
  function openChild(c: Enrolled): void {
    open = open === c.id ? '' : c.id;
    renamed = c.name;
    childWrong = undefined;
  }
  async function rename(event: SubmitEvent, c: Enrolled): Promise<void> {
    event.preventDefault();
    if (await change(c, { name: renamed })) open = '';
  }
  async function retire(c: Enrolled): Promise<void> {
    if (!(await change(c, { retired: true }))) return;
    open = '';
    back = { id: c.id, name: c.name };
  }
  async function returned(c: { id: string }): Promise<void> {
    if (await change(c, { retired: false })) back = undefined;
  }
  async function invite(role: string): Promise<void> {
    try {
      invited = await saved(api<Invited>('POST', classPath('/invitations'), { role }));
      await load();
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  const roleName = (id: string): string => people?.roles.find((r) => r.id === id)?.name ?? id;
  async function withAdult(method: string, m: Member, body?: ChangeMember): Promise<void> {
    try {
      const got = await saved(api<People | undefined>(method, classPath(`/members/${m.id}`), body));
      adult = '';
      adultWrong = undefined;
      if (got) return take(got);
      await loadMe(); // it was oneself
      await push(view('today'));
    } catch (error) {
      adultWrong = troubleOf(error);
    }
  }
  const setRole = (m: Member, role: string): Promise<void> => withAdult('PATCH', m, { role });
  const remove = (m: Member): Promise<void> => withAdult('DELETE', m);
  async function withdraw(id: string): Promise<void> {
    try {
      take(await saved(api<People>('DELETE', classPath(`/invitations/${id}`))));
      invited = undefined; // it may be the one that is shown
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  const address = $derived(invited ? `${location.origin}/${invited.path}` : '');
  const next = (): void => (lines.length ? void add() : void push(view('class')));

  onMount(load);
</script>

<svelte:window onkeydown={shortcuts({ space: next })} />

<Bench
  personal
  title="People"
  keys={[['space', lines.length ? 'add the names' : 'to the class']]}
  drawer={300}
  shelfSays={desk.class.name}
  bookSays="add a child"
>
  {#snippet shelf()}
    <h1>{desk.class.name}</h1>
    <p class="small">{shared.me?.name}, {desk.class.role}</p>
    <Doors at="people" />
  {/snippet}

  {#snippet mat()}
    <div class="people">
      {#if trouble}<Wrong {trouble} />{/if}
      {#if people}
        <section>
          <h1>
            {people.children.length === 0
              ? 'No children yet'
              : people.children.length === 1
                ? 'One child'
                : `${people.children.length} children`}
          </h1>
          {#if back}
            <p class="back" role="status">
              {back.name} has left the class; the records are kept.
              <button class="act" onclick={() => returned(back!)}>Undo</button>
            </p>
          {/if}
          <ul class="children">
            {#each people.children as c (c.id)}
              <li class:open={open === c.id}>
                <button class="name kid" aria-expanded={open === c.id} onclick={() => openChild(c)}
                  >{c.name}</button
                >
                {#if open === c.id}
                  <form onsubmit={(e) => rename(e, c)} novalidate>
                    <label for="rename">Name in this class</label>
                    <span class="row">
                      <input
                        id="rename"
                        class="kid"
                        class:wrong={childWrong}
                        autocomplete="off"
                        bind:value={renamed}
                        aria-describedby={childWrong ? 'rename-wrong' : undefined}
                      />
                      <Plain type="submit">Rename</Plain>
                    </span>
                    {#if childWrong}<Wrong trouble={childWrong} id="rename-wrong" />{/if}
                    <label for="can">Could already, when added</label>
                    <select
                      id="can"
                      value={c.told}
                      onchange={(e) => void change(c, { told: e.currentTarget.value })}
                    >
                      <option value="">not known</option>
                      {#each people.told as t (t.id)}<option value={t.id}>{t.name}</option>{/each}
                    </select>
                    <label for="apart">Not together with (only leads see it)</label>
                    {#each apartFrom(c.id) as other (other.id)}
                      <span class="row apart">
                        <span class="kid">{other.name}</span>
                        <button
                          class="act"
                          type="button"
                          onclick={() => keepApart(c.id, other.id, false)}
                          >may sit with {other.name} again</button
                        >
                      </span>
                    {/each}
                    <select
                      id="apart"
                      value=""
                      onchange={(e) => {
                        const other = e.currentTarget.value;
                        e.currentTarget.value = '';
                        void keepApart(c.id, other, true);
                      }}
                    >
                      <option value="">choose a child</option>
                      {#each people.children as other (other.id)}
                        {#if other.id !== c.id && !apartFrom(c.id).some((x) => x.id === other.id)}
                          <option value={other.id}>{other.name}</option>
                        {/if}
                      {/each}
                    </select>
                    <span class="row acts">
                      <a class="act" href={view(`learner/${c.id}`)} use:link>Open the page</a>
                      <button class="act" type="button" onclick={() => retire(c)}
                        >leaves the class</button
                      >
                      {#each people.classes as other (other.id)}
                        <button
                          class="act"
                          type="button"
                          onclick={() => change(c, { moveTo: other.id })}
                          >moves to {other.name}</button
                        >
                      {/each}
                    </span>
                    <span class="small">{c.when}</span>
                  </form>
                {/if}
              </li>
            {:else}<li class="small">Nobody yet. Type the first name on the right.</li>{/each}
          </ul>
        </section>
        {#if people.retired.length}
          <section>
            <h2>Left the class</h2>
            <ul class="gone">
              {#each people.retired as c (c.id)}
                <li>
                  <a class="kid" href={view(`learner/${c.id}`)} use:link>{c.name}</a>
                  <span class="small">{c.when}</span>
                  <button class="act" onclick={() => returned(c)}>bring back</button>
                </li>
              {/each}
            </ul>
          </section>
        {/if}
        {#if people.erased}<p class="small">{people.erased}</p>{/if}
        <section class="adults">
          <h2>Adults</h2>
          <ul>
            {#each people.members as m (m.email)}
              <li class:open={adult === m.id}>
                <button
                  class="who"
                  aria-expanded={adult === m.id}
                  onclick={() => ((adult = adult === m.id ? '' : m.id), (adultWrong = undefined))}
                >
                  <b>{m.name}</b>
                  <span class="small">{roleName(m.role)}, {m.email}</span>
                </button>
                {#if adult === m.id}
                  <span class="row acts">
                    {#each people.roles as r (r.id)}
                      {#if r.id !== m.role}
                        <button class="act" onclick={() => setRole(m, r.id)}>{r.name}</button>
                      {/if}
                    {/each}
                    <button class="act" onclick={() => remove(m)}>
                      {m.id === shared.me?.id ? 'leave the class' : 'remove from the class'}
                    </button>
                  </span>
                  {#if adultWrong}<Wrong trouble={adultWrong} />{/if}
                {/if}
              </li>
            {/each}
          </ul>
          {#if people.open.length}
            <h2>Invitations that can still be used</h2>
            <ul class="gone">
              {#each people.open as i (i.id)}
                <li>
                  <span>somebody who {roleName(i.role)}</span>
                  <span class="small">until {i.until}, made by {i.by}</span>
                  <button class="act" onclick={() => withdraw(i.id)}>withdraw</button>
                </li>
              {/each}
            </ul>
          {/if}
          <span class="row">
            <Plain onclick={() => invite('assistant')}>Invite an assistant</Plain>
            <Plain onclick={() => invite('viewer')}>Invite somebody to watch</Plain>
          </span>
        </section>
      {/if}
    </div>
  {/snippet}

  {#snippet book()}
    {#if invited}
      <div class="link" role="status">
        <label for="link">This link works once, until {invited.until}. It is shown only now.</label>
        <input id="link" readonly value={address} onfocus={(e) => e.currentTarget.select()} />
      </div>
    {/if}
    <form class="add" onsubmit={add} novalidate>
      <h1>{people?.children.length ? 'Add children' : 'The first child'}</h1>
      <label for="names">First name and initial, or a pasted list</label>
      <textarea
        id="names"
        class="kid"
        class:wrong
        rows="7"
        placeholder="Wren A."
        bind:value={names}
        aria-describedby={wrong ? 'names-wrong' : 'names-hint'}></textarea>
      {#if wrong}<Wrong trouble={wrong} id="names-wrong" />{/if}
      <label for="told">They can already</label>
      <select id="told" bind:value={told}>
        <option value="">not known yet</option>
        {#each people?.told ?? [] as t (t.id)}<option value={t.id}>{t.name}</option>{/each}
      </select>
      <p class="small" id="names-hint">
        One name on each line. No family names and no birth dates: they are not needed.
      </p>
    </form>
  {/snippet}
  {#snippet foot()}
    {#if lines.length}
      <Next
        label={lines.length === 1 ? `Add ${lines[0]}` : `Add ${lines.length} children`}
        onclick={() => void add()}
      />
    {:else if people?.children.length === 0}
      <Next label="Add a child" disabled />
    {:else}
      <Next label="To Class" key="space" onclick={next} />
    {/if}
  {/snippet}
</Bench>

<style>
  .people {
    height: 100%;
    padding: var(--s4) 28px;
    overflow: auto;
  }
  section {
    margin-bottom: var(--s4);
  }
  .children {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
    gap: 0 16px;
    margin-top: 6px;
  }
  .children li {
    border-bottom: 1px solid var(--line);
  }
  .children .open {
    grid-column: 1 / -1;
    padding: 0 12px 8px;
    background: var(--sheet);
    border-left: 4px solid var(--leaf);
  }
  .name {
    width: 100%;
    min-height: 44px;
  }
  .name:hover {
    color: var(--leaf);
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 16px;
  }
  label {
    display: block;
    font-size: var(--t1);
    line-height: 20px;
  }
  input,
  select,
  textarea {
    min-height: 44px;
    padding: 6px 10px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
    font-size: 18px;
    color: inherit;
  }
  input.wrong,
  textarea.wrong {
    border-color: var(--clay);
  }
  textarea {
    width: 100%;
    font-family: var(--kid);
    line-height: 26px;
    resize: none;
  }
  .gone li {
    display: flex;
    align-items: center;
    gap: 12px;
  }
  .back {
    padding: 0 12px;
    border-left: 3px solid var(--leaf);
    background: var(--sheet);
  }
  .adults {
    padding-top: 8px;
    border-top: 1px solid var(--line);
  }
  .adults .who {
    min-height: 44px;
  }
  .adults .who:hover b {
    color: var(--leaf);
  }
  .adults .open {
    padding: 0 12px 8px;
    background: var(--sheet);
    border-left: 4px solid var(--leaf);
  }
  .adults ul + h2 {
    margin-top: var(--s3);
  }
  .adults b {
    font-weight: 600;
  }
  .adults .row {
    margin-top: 8px;
  }
  .link {
    margin: 8px 0;
    padding: 10px 12px;
    background: var(--sheet);
    border: 1.5px solid var(--leaf);
    border-radius: var(--r2);
  }
  .link input {
    width: 100%;
    font-size: var(--t2);
  }
  .add label {
    margin-top: 8px;
  }
  @media (max-width: 700px) {
    .people {
      height: auto;
      padding: var(--s3) 14px;
      overflow: visible;
    }
    input {
      max-width: 100%;
    }
  }
</style>

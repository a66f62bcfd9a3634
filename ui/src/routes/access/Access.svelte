<script lang="ts">
  // One's own access: the password, where one is logged in, the end of the account.
  import { onMount } from 'svelte';
  import { push, replace } from 'svelte-spa-router';
  import { api } from '../../lib/api';
  import Bench from '../../lib/bench/Bench.svelte';
  import { shortcuts } from '../../lib/keys';
  import { outbox } from '../../lib/outbox.svelte';
  import Dialog from '../../lib/parts/Dialog.svelte';
  import Doors from '../../lib/parts/Doors.svelte';
  import Next from '../../lib/parts/Next.svelte';
  import Plain from '../../lib/parts/Plain.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import { guarded, logOut, saved, shared, troubleOf, view } from '../../lib/state.svelte';
  import type { Access, Me, Trouble } from '../../lib/wire.gen';

  let access = $state.raw<Access>();
  let trouble = $state<Trouble>();
  let password = $state('');
  let fresh = $state('');
  let wrong = $state<Trouble>(); // of the new password
  let changed = $state(false);
  let confirm = $state('');
  let notClosed = $state<Trouble>();
  let dialog = $state<Dialog>();
  /** The time of day, by the device's clock and habits. */
  const time = (at: string): string =>
    new Date(at).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' });
  const waiting = $derived(outbox.waiting.length + outbox.refused.length);

  async function load(): Promise<void> {
    try {
      access = await guarded(api<Access>('GET', '/account'));
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  async function change(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    try {
      await saved(api<Me>('POST', '/account/password', { password, new: fresh }));
      password = fresh = '';
      wrong = undefined;
      changed = true;
      await load();
    } catch (error) {
      wrong = troubleOf(error); // what was typed stays
    }
  }
  async function elsewhere(): Promise<void> {
    try {
      access = await saved(api<Access>('POST', '/account/elsewhere'));
      shared.said = 'You are logged in here alone.';
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  async function close(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    try {
      await saved(api('POST', '/account/close', { password: confirm }));
      dialog?.close();
      shared.me = null;
      shared.desk = undefined;
      await replace('/');
    } catch (error) {
      notClosed = troubleOf(error);
    }
  }
  async function leave(): Promise<void> {
    try {
      await logOut();
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  const back = (): void => void push(view('today'));
  onMount(load);
</script>

<svelte:window onkeydown={shortcuts({ space: back })} />

<Bench title="Your access" keys={[['space', 'back to Today']]}>
  {#snippet shelf()}
    <h1>{shared.desk?.class.name}</h1>
    <p class="small">{shared.me?.name}, {shared.desk?.class.role}</p>
    <Doors at="access" />
  {/snippet}

  {#snippet mat()}
    <div class="access">
      {#if trouble}<Wrong {trouble} />{/if}
      {#if access}
        <section>
          <h1>{access.name}</h1>
          <p class="small">{access.email}</p>
        </section>
        <section>
          <h2>Where you are logged in</h2>
          <ul>
            {#each access.places as place, i (i)}
              <li>
                <b>{place.device}</b>
                <span class="small"
                  >since {place.since}, {time(place.at)}{place.here ? ', this device' : ''}</span
                >
              </li>
            {/each}
          </ul>
          {#if access.places.length > 1}
            <p class="go"><Plain onclick={elsewhere}>Log out on all other devices</Plain></p>
          {:else}
            <p class="small">Only on this device.</p>
          {/if}
          <p class="go"><Plain onclick={leave}>Log out here</Plain></p>
          {#if waiting}
            <p class="small">
              {waiting === 1 ? 'One change' : `${waiting} changes`} on this device
              {waiting === 1 ? 'has' : 'have'} not reached the server yet. They stay here and are sent
              when you log in on this device again.
            </p>
          {/if}
        </section>
        <section>
          <h2>Close your account</h2>
          <p>
            You leave all classes and can no longer log in. Only your name stays, beside what you
            recorded.
          </p>
          <p class="go"><Plain onclick={() => dialog?.open()}>Close the account …</Plain></p>
        </section>
      {/if}
    </div>
  {/snippet}

  {#snippet book()}
    <form onsubmit={change} novalidate>
      <h1>A new password</h1>
      <input
        class="unseen"
        tabindex="-1"
        aria-hidden="true"
        autocomplete="username"
        value={access?.email}
        readonly
      />
      <label for="now">Your password now</label>
      <input
        id="now"
        type="password"
        autocomplete="current-password"
        bind:value={password}
        class:wrong={wrong?.field === 'password'}
        aria-describedby={wrong ? 'password-wrong' : undefined}
      />
      <label for="fresh">The new password, at least {access?.fewestSigns ?? ''} characters</label>
      <input
        id="fresh"
        type="password"
        autocomplete="new-password"
        bind:value={fresh}
        class:wrong={wrong?.field === 'new'}
        aria-describedby={wrong ? 'password-wrong' : undefined}
      />
      {#if wrong}<Wrong trouble={wrong} id="password-wrong" />{/if}
      <p class="go"><Plain type="submit">Change the password</Plain></p>
      {#if changed}<p role="status">The password is changed. You are logged out elsewhere.</p>{/if}
    </form>
  {/snippet}
  {#snippet foot()}
    <Next label="Back to Today" key="space" onclick={back} />
  {/snippet}
</Bench>

<Dialog bind:this={dialog} title="Close the account?">
  <form onsubmit={close} novalidate>
    <p>This cannot be undone. Type your password to confirm it.</p>
    <label for="confirm">Your password</label>
    <input
      id="confirm"
      type="password"
      autocomplete="current-password"
      bind:value={confirm}
      aria-describedby={notClosed ? 'close-wrong' : undefined}
    />
    {#if notClosed}<Wrong trouble={notClosed} id="close-wrong" />{/if}
    <p class="row">
      <Plain onclick={() => dialog?.close()}>Keep the account</Plain>
      <Plain type="submit">Close the account</Plain>
    </p>
  </form>
</Dialog>

<style>
  .access {
    height: 100%;
    max-width: 620px;
    padding: var(--s4) 28px;
    overflow: auto;
  }
  section {
    margin-bottom: var(--s5);
  }
  li {
    display: flex;
    align-items: center;
    gap: 12px;
    min-height: 44px;
    border-bottom: 1px solid var(--line);
  }
  b {
    font-weight: 600;
  }
  section h2 + p {
    margin-top: 6px;
  }
  .go {
    margin-top: var(--s3);
  }
  label {
    display: block;
    margin: var(--s3) 0 6px;
    font-size: var(--t1);
    line-height: 20px;
  }
  input {
    width: 100%;
    min-height: 44px;
    padding: 6px 10px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
    font-size: 18px;
  }
  .unseen {
    width: 1px;
    min-height: 1px;
    padding: 0;
  }
  input.wrong {
    border-color: var(--clay);
  }
  .row {
    display: flex;
    gap: 8px;
    margin-top: var(--s3);
  }
  @media (max-width: 700px) {
    .access {
      height: auto;
      padding: var(--s3) 14px;
      overflow: visible;
    }
  }
</style>

<script lang="ts">
  // Where the link of an invitation leads: it is used once, by somebody new or by
  // whoever is logged in.
  import { onMount } from 'svelte';
  import { replace } from 'svelte-spa-router';
  import { api } from '../../lib/api';
  import Logo from '../../lib/parts/Logo.svelte';
  import Next from '../../lib/parts/Next.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import { shared, troubleOf } from '../../lib/state.svelte';
  import type { Invitation, Me, Trouble } from '../../lib/wire.gen';

  let { word }: { word: string } = $props();

  let invitation = $state<Invitation>();
  let trouble = $state<Trouble>();
  let wrong = $state<Trouble>();
  let name = $state('');
  let email = $state('');
  let password = $state('');
  let sending = false;

  const does = $derived(
    invitation?.role === 'viewer' ? 'You will look on.' : 'You will present and record.',
  );

  async function join(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    if (sending) return;
    sending = true;
    try {
      const body = shared.me ? { name: '', email: '', password: '' } : { name, email, password };
      const me = await api<Me>('POST', `/invitations/${word}`, body);
      const joined = me.classes.find((c) => c.name === invitation?.class) ?? me.classes[0];
      await replace(joined ? `/${joined.id}/today` : '/');
      shared.me = me;
    } catch (error) {
      wrong = troubleOf(error);
    } finally {
      sending = false;
    }
  }

  onMount(async () => {
    try {
      invitation = await api<Invitation>('GET', `/invitations/${word}`);
    } catch (error) {
      trouble = troubleOf(error);
    }
  });
</script>

<svelte:head><title>Invitation · Vine Swap</title></svelte:head>

<main>
  <Logo />
  {#if trouble}
    <h1>Invitation</h1>
    <Wrong {trouble} />
  {:else if invitation}
    <h1>Join {invitation.class}</h1>
    <p>{does} The link works once, until {invitation.until}.</p>
    <form onsubmit={join} novalidate>
      {#if shared.me}
        <p>You are logged in as {shared.me.name}.</p>
      {:else}
        <label for="name">Your name</label>
        <input
          id="name"
          autocomplete="name"
          bind:value={name}
          class:wrong={wrong?.field === 'name'}
        />
        {#if wrong?.field === 'name'}<Wrong trouble={wrong} />{/if}
        <label for="email">Email</label>
        <input
          id="email"
          type="email"
          autocomplete="email"
          bind:value={email}
          class:wrong={wrong?.field === 'email'}
        />
        {#if wrong?.field === 'email'}<Wrong trouble={wrong} />{/if}
        <label for="password">Choose a password</label>
        <input
          id="password"
          type="password"
          autocomplete="new-password"
          bind:value={password}
          class:wrong={wrong?.field === 'password'}
        />
        {#if wrong?.field === 'password'}<Wrong trouble={wrong} />{/if}
      {/if}
      {#if wrong && !['name', 'email', 'password'].includes(wrong.field ?? '')}<Wrong
          trouble={wrong}
        />{/if}
      <div class="next foot"><Next type="submit" label="Join" key="enter" /></div>
    </form>
  {/if}
</main>

<style>
  main {
    max-width: 400px;
    margin: 12vh auto 0;
    padding: 0 var(--s5);
  }
  h1 {
    margin: 12px 0 4px;
    font-size: var(--t4);
    line-height: 36px;
  }
  label {
    display: block;
    margin-top: 14px;
    font-weight: 600;
  }
  input {
    width: 100%;
    min-height: 48px;
    padding: 0 12px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
  }
  input.wrong {
    border-color: var(--clay);
  }
  .next {
    margin-top: 20px;
  }
  @media (max-height: 500px) {
    main {
      height: 100%;
      margin-top: 0;
      padding-block: 12px 72px;
      overflow: auto;
    }
    .next {
      position: fixed;
      inset: auto 0 0;
      padding: 4px var(--s5);
      background: var(--paper);
    }
  }
</style>

<script lang="ts">
  // Logging in, also in place of a view whose session has run out: the address
  // stays, so one comes back to where one was.
  import { api } from '../../lib/api';
  import Logo from '../../lib/parts/Logo.svelte';
  import Next from '../../lib/parts/Next.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import { shared, troubleOf } from '../../lib/state.svelte';
  import type { Me, Trouble } from '../../lib/wire.gen';

  let email = $state('');
  let password = $state('');
  let seen = $state(false);
  let trouble = $state<Trouble | undefined>(shared.trouble);
  let busy = $state(false);

  async function open(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    busy = true;
    try {
      shared.me = await api<Me>('POST', '/login', { email, password });
      shared.trouble = undefined;
    } catch (error) {
      trouble = troubleOf(error);
    } finally {
      busy = false;
    }
  }
</script>

<svelte:head><title>Log in · Vine Swap</title></svelte:head>

<main>
  <form onsubmit={open} novalidate>
    <div class="mark"><Logo width={116} /></div>
    <h1>Vine Swap</h1>
    <label for="email">Email</label>
    <input
      id="email"
      name="email"
      type="email"
      autocomplete="username"
      bind:value={email}
      class:wrong={trouble?.field === 'email'}
      aria-describedby={trouble ? 'login-trouble' : undefined}
    />
    <label for="password">Password</label>
    <span class="secret">
      <input
        id="password"
        name="password"
        type={seen ? 'text' : 'password'}
        autocomplete="current-password"
        bind:value={password}
        class:wrong={trouble?.field === 'password'}
        aria-describedby={trouble ? 'login-trouble' : undefined}
      />
      <button type="button" aria-pressed={seen} onclick={() => (seen = !seen)}>
        {seen ? 'hide' : 'show'}
      </button>
    </span>
    {#if trouble}<Wrong {trouble} id="login-trouble" />{/if}
    <div class="go foot"><Next type="submit" label="Log in" key="enter" disabled={busy} /></div>
  </form>
</main>

<style>
  main {
    display: grid;
    place-items: center;
    height: 100%;
    overflow: auto;
    background: var(--paper-2);
  }
  form {
    position: relative;
    width: 400px;
    padding: var(--s6) var(--s7) var(--s7);
    background: var(--paper);
    border-inline: 1.6px solid var(--tray);
  }
  form::before,
  form::after {
    content: '';
    position: absolute;
    top: 0;
    bottom: 0;
    width: 10px;
    background: repeating-linear-gradient(
      to bottom,
      transparent 0 3px,
      var(--tray) 3px 4.4px,
      transparent 4.4px 8px
    );
  }
  form::before {
    right: 100%;
  }
  form::after {
    left: 100%;
  }
  .mark {
    display: grid;
    place-items: center;
  }
  h1 {
    margin: var(--s2) 0 var(--s4);
    text-align: center;
    font-size: var(--t4);
    line-height: 34px;
  }
  label {
    display: block;
    margin: var(--s3) 0 var(--s1);
    font-weight: 600;
  }
  input {
    width: 100%;
    height: 48px;
    padding: 0 var(--s4);
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
    font: 400 18px var(--kid);
  }
  input.wrong {
    border-color: var(--clay);
  }
  .secret {
    display: flex;
    margin-bottom: var(--s3);
  }
  .secret input {
    flex: 1;
    min-width: 0;
    border-right: 0;
    border-radius: var(--r2) 0 0 var(--r2);
  }
  .secret button {
    width: 68px;
    height: 48px;
    border: 1.5px solid var(--edge);
    border-left: 0;
    border-radius: 0 var(--r2) var(--r2) 0;
    background: var(--sheet);
    text-align: center;
    color: var(--leaf);
    font-weight: 600;
  }
  .secret:has(.wrong) button {
    border-color: var(--clay);
  }
  .go {
    margin-top: var(--s5);
  }
  @media (max-width: 700px) {
    form {
      width: min(400px, 100%);
      padding: var(--s4) 20px;
      border: 0;
    }
    form::before,
    form::after {
      display: none;
    }
  }
  @media (max-height: 500px) {
    .go {
      position: sticky;
      bottom: 0;
      margin-top: var(--s3);
      padding-block: 4px;
      background: var(--paper);
    }
    .mark {
      display: none;
    }
  }
</style>

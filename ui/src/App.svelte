<script lang="ts">
  import { onMount } from 'svelte';
  import Router, { replace, router } from 'svelte-spa-router';
  import { wrap } from 'svelte-spa-router/wrap';
  import { focused, once, point } from './lib/keys';
  import Wrong from './lib/parts/Wrong.svelte';
  import Defs from './lib/pieces/Defs.svelte';
  import { loadDesk, loadMe, shared } from './lib/state.svelte';
  import Login from './routes/login/Login.svelte';
  import Today from './routes/today/Today.svelte';

  // Today comes with the page; the other views when they are opened.
  const routes = {
    '/:class/today': Today,
    '/:class/numbers': wrap({ asyncComponent: () => import('./routes/numbers/Numbers.svelte') }),
    '/:class/gather/:lesson': wrap({
      asyncComponent: () => import('./routes/gather/Gather.svelte'),
    }),
    '/:class/mat/:lesson': wrap({ asyncComponent: () => import('./routes/mat/Mat.svelte') }),
    '/:class/record/:lesson': wrap({
      asyncComponent: () => import('./routes/record/Record.svelte'),
    }),
    '/:class/class': wrap({ asyncComponent: () => import('./routes/class/Class.svelte') }),
    '/:class/learner/:learner': wrap({
      asyncComponent: () => import('./routes/learner/Learner.svelte'),
    }),
    '/:class/people': wrap({ asyncComponent: () => import('./routes/people/People.svelte') }),
    '/:class/settings': wrap({ asyncComponent: () => import('./routes/settings/Settings.svelte') }),
  };
  const join = (): Promise<typeof import('./routes/people/Join.svelte')> =>
    import('./routes/people/Join.svelte');

  const classId = $derived(router.location.split('/')[1] ?? '');
  /** The word of an invitation, in its link. */
  const word = $derived(classId === 'join' ? (router.location.split('/')[2] ?? '') : '');
  const mine = $derived(shared.me?.classes.some((c) => c.id === classId) ?? false);

  onMount(loadMe);

  // The colours of the class's own set, for every picture of a piece and every text.
  $effect(() => {
    const { style } = document.documentElement;
    for (const shade of [
      ...(shared.desk?.palette.places ?? []),
      ...(shared.desk?.palette.stair ?? []),
    ]) {
      style.setProperty(`--${shade.id}`, shade.fill);
      style.setProperty(`--${shade.id}-ink`, shade.ink);
      style.setProperty(`--${shade.id}-tint`, shade.tint);
    }
  });

  // The address names the class; without one the first is opened.
  $effect(() => {
    if (!shared.me || word) return;
    const first = shared.me.classes[0];
    if (!mine && first) void replace(`/${first.id}/today`);
    else if (mine && shared.desk?.class.id !== classId) void loadDesk(classId);
  });
</script>

<svelte:window onkeydowncapture={once} onpointerdowncapture={point} onfocusincapture={focused} />

<Defs />
<div class="unseen" aria-live="polite" data-live>{shared.said}</div>
{#if word && shared.me !== undefined}
  {#await join() then { default: Join }}<Join {word} />{/await}
{:else if shared.me === null}
  <Login />
{:else if shared.me && shared.desk && shared.desk.class.id === classId}
  <Router {routes} />
{:else if shared.me?.classes.length === 0}
  <main class="alone">
    <h1>You belong to no class yet</h1>
    <p>The lead of a class can take you in.</p>
  </main>
{:else if shared.trouble}
  <main class="alone"><Wrong trouble={shared.trouble} /></main>
{/if}

<style>
  .alone {
    max-width: 420px;
    margin: 20vh auto;
    padding: 0 var(--s5);
  }
</style>

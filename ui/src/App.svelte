<script lang="ts">
  import { onMount } from 'svelte';
  import Router, { replace, router } from 'svelte-spa-router';
  import Wrong from './lib/parts/Wrong.svelte';
  import Defs from './lib/pieces/Defs.svelte';
  import { loadDesk, loadMe, shared } from './lib/state.svelte';
  import Class from './routes/class/Class.svelte';
  import Gather from './routes/gather/Gather.svelte';
  import Learner from './routes/learner/Learner.svelte';
  import Login from './routes/login/Login.svelte';
  import Mat from './routes/mat/Mat.svelte';
  import Numbers from './routes/numbers/Numbers.svelte';
  import Join from './routes/people/Join.svelte';
  import People from './routes/people/People.svelte';
  import Record from './routes/record/Record.svelte';
  import Settings from './routes/settings/Settings.svelte';
  import Today from './routes/today/Today.svelte';

  const routes = {
    '/:class/today': Today,
    '/:class/numbers': Numbers,
    '/:class/gather/:lesson': Gather,
    '/:class/mat/:lesson': Mat,
    '/:class/class': Class,
    '/:class/record/:lesson': Record,
    '/:class/learner/:learner': Learner,
    '/:class/people': People,
    '/:class/settings': Settings,
  };

  const classId = $derived(router.location.split('/')[1] ?? '');
  /** The word of an invitation, in its link. */
  const word = $derived(classId === 'join' ? (router.location.split('/')[2] ?? '') : '');
  const mine = $derived(shared.me?.classes.some((c) => c.id === classId) ?? false);

  onMount(loadMe);

  // The address names the class; without one the first is opened.
  $effect(() => {
    if (!shared.me || word) return;
    const first = shared.me.classes[0];
    if (!mine && first) void replace(`/${first.id}/today`);
    else if (mine && shared.desk?.class.id !== classId) void loadDesk(classId);
  });
</script>

<Defs />
<div class="unseen" aria-live="polite" data-live>{shared.said}</div>
{#if word && shared.me !== undefined}
  <Join {word} />
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

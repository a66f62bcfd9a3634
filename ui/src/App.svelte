<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import Router, { replace, router } from 'svelte-spa-router';
  import { wrap } from 'svelte-spa-router/wrap';
  import { whenIdle } from './lib/idle';
  import { following } from './lib/following.svelte';
  import { chosen, once, point, release, shortcuts } from './lib/keys';
  import { outbox } from './lib/outbox.svelte';
  import Wrong from './lib/parts/Wrong.svelte';
  import Defs from './lib/pieces/Defs.svelte';
  import { fetchStage } from './lib/pieces/stand';
  import { cover, loadDesk, loadMe, shared } from './lib/state.svelte';
  import Login from './routes/login/Login.svelte';
  import Today from './routes/today/Today.svelte';

  // Today comes with the page; the other views after it, before anybody opens them, so
  // that losing the network opens no empty page.
  const views = {
    numbers: () => import('./routes/numbers/Numbers.svelte'),
    gather: () => import('./routes/gather/Gather.svelte'),
    mat: () => import('./routes/mat/Mat.svelte'),
    record: () => import('./routes/record/Record.svelte'),
    class: () => import('./routes/class/Class.svelte'),
    learner: () => import('./routes/learner/Learner.svelte'),
    people: () => import('./routes/people/People.svelte'),
    settings: () => import('./routes/settings/Settings.svelte'),
    access: () => import('./routes/access/Access.svelte'),
    slates: () => import('./routes/slates/Slates.svelte'),
    openers: () => import('./routes/openers/Openers.svelte'),
    sheets: () => import('./routes/sheets/Sheets.svelte'),
    answers: () => import('./routes/sheets/Answers.svelte'),
    minute: () => import('./routes/sheets/Minute.svelte'),
    table: () => import('./routes/sheets/Table.svelte'),
  };
  const routes = {
    '/:class/today': Today,
    '/:class/numbers': wrap({ asyncComponent: views.numbers }),
    '/:class/gather/:lesson': wrap({ asyncComponent: views.gather }),
    '/:class/mat/:lesson': wrap({ asyncComponent: views.mat }),
    '/:class/record/:lesson': wrap({ asyncComponent: views.record }),
    '/:class/class': wrap({ asyncComponent: views.class }),
    '/:class/learner/:learner': wrap({ asyncComponent: views.learner }),
    '/:class/people': wrap({ asyncComponent: views.people }),
    '/:class/settings': wrap({ asyncComponent: views.settings }),
    '/:class/access': wrap({ asyncComponent: views.access }),
    '/:class/slates/:lesson': wrap({ asyncComponent: views.slates }),
    '/:class/openers': wrap({ asyncComponent: views.openers }),
    '/:class/sheets': wrap({ asyncComponent: views.sheets }),
    '/:class/answers/:sheet?': wrap({ asyncComponent: views.answers }),
    '/:class/minute': wrap({ asyncComponent: views.minute }),
    '/:class/table': wrap({ asyncComponent: views.table }),
    '*': Today, // an address cut short
  };
  const join = (): Promise<typeof import('./routes/people/Join.svelte')> =>
    import('./routes/people/Join.svelte');

  const show = (): Promise<typeof import('./routes/show/Show.svelte')> =>
    import('./routes/show/Show.svelte');

  const classId = $derived(router.location.split('/')[1] ?? '');
  /** The word of an invitation, in its link. */
  const word = $derived(classId === 'join' ? (router.location.split('/')[2] ?? '') : '');
  /** The class's window on the projector: nobody logs in there. */
  const isWindow = $derived(classId === 'show');
  const mine = $derived(shared.me?.classes.some((c) => c.id === classId) ?? false);

  onMount(() => {
    if (!isWindow) void loadMe();
  });

  // The guide's other devices are followed, whichever view is open.
  const followed = $derived(shared.me ? shared.desk?.class.id : undefined);
  $effect(() => {
    const id = followed;
    untrack(() => following.open(id));
  });

  $effect(() => {
    document.documentElement.toggleAttribute('data-covered', shared.covered && !isWindow);
  });

  // What waits on this device is sent once its account is here, whichever view is open.
  $effect(() => {
    const account = shared.me?.id;
    if (account) untrack(() => outbox.open(account));
  });

  // Asked for again where the network was away: nothing else is waited for.
  const AGAIN_MS = 5000;
  async function fetchAll(): Promise<void> {
    try {
      await Promise.all([...Object.values(views).map((view) => view()), fetchStage()]);
      await Promise.all([...document.fonts].map((font) => font.load()));
    } catch {
      setTimeout(() => void fetchAll(), AGAIN_MS);
    }
  }
  let fetched = false;
  $effect(() => {
    if (!shared.desk || fetched) return;
    fetched = true;
    whenIdle(() => void fetchAll());
  });

  // The colours of the class's own set, for every picture of a piece and every text.
  $effect(() => {
    const { style } = document.documentElement;
    for (const shade of [
      ...(shared.palette?.places ?? []),
      ...(shared.palette?.stair ?? []),
      ...(shared.palette?.rack ?? []),
    ]) {
      style.setProperty(`--${shade.id}`, shade.fill);
      style.setProperty(`--${shade.id}-ink`, shade.ink);
      style.setProperty(`--${shade.id}-tint`, shade.tint);
    }
  });

  // The address names the class; without one the first is opened.
  $effect(() => {
    if (!shared.me || word || isWindow) return;
    const first = shared.me.classes[0];
    if (!mine && first) void replace(`/${first.id}/today`);
    else if (mine && shared.desk?.class.id !== classId) void loadDesk(classId);
  });
</script>

<svelte:window
  onkeydown={shortcuts({ h: () => shared.desk && !isWindow && cover() })}
  onkeydowncapture={once}
  onpointerdowncapture={point}
  onclick={release}
  onchange={chosen}
/>

<Defs />
<div class="unseen" aria-live="polite" data-live>{shared.said}</div>
{#if isWindow}
  {#await show() then { default: Show }}<Show code={router.location.split('/')[2] ?? ''} />{/await}
{:else if word && shared.me !== undefined}
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

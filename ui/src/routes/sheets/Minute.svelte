<script lang="ts">
  // A minute of facts: a stopwatch that begins and ends with sound and light, and then what
  // each child came to, beside its own last times.
  import { onDestroy, untrack } from 'svelte';
  import { link } from 'svelte-spa-router';
  import { api } from '../../lib/api';
  import Bench from '../../lib/bench/Bench.svelte';
  import { shortcuts } from '../../lib/keys';
  import Next from '../../lib/parts/Next.svelte';
  import Sides from '../../lib/parts/Sides.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import { classPath, guarded, shared, troubleOf, view } from '../../lib/state.svelte';
  import type { Minutes, Trouble } from '../../lib/wire.gen';
  import MinuteRows from './MinuteRows.svelte';

  const kept = (name: string, usual: string): string =>
    localStorage.getItem(`minute ${name}`) ?? usual;
  const keep = (name: string, value: string): void => localStorage.setItem(`minute ${name}`, value);

  let page = $state.raw<Minutes>();
  let trouble = $state<Trouble>();
  let facts = $state(kept('facts', 'bonds'));
  let seconds = $state(Number(kept('seconds', '60')) || 60);
  let sound = $state(kept('sound', 'on') === 'on');
  let light = $state(kept('light', 'on') === 'on');
  // When the minute that runs began, by this device's clock: a reload goes on with it.
  let began = $state(Number(kept('began', '0')));
  let now = $state(Date.now());
  let over = $state(false);

  $effect(() => {
    const of = facts;
    untrack(() => void load(of));
  });
  async function load(of: string): Promise<void> {
    try {
      page = await guarded(api<Minutes>('GET', classPath(`/minutes?facts=${of}`)));
      trouble = undefined;
    } catch (error) {
      trouble = troubleOf(error);
    }
  }

  const left = $derived(began ? Math.max(0, seconds - (now - began) / 1000) : seconds);
  const runs = $derived(began > 0 && left > 0);
  const GONE_MS = 600_000; // a minute that was left running yesterday is none
  if (untrack(() => began) && Date.now() - untrack(() => began) > GONE_MS) stop();

  const beat = setInterval(() => {
    now = Date.now();
    if (began && now - began >= seconds * 1000) {
      stop();
      over = true;
      tone(440, 3);
      shared.said = 'The time is over';
    }
  }, 100);
  onDestroy(() => clearInterval(beat));

  let audio: AudioContext | undefined;
  /** A soft tone, so many times. */
  function tone(pitch: number, times: number): void {
    if (!sound) return;
    try {
      audio ??= new AudioContext();
      for (let i = 0; i < times; i++) {
        const [o, g] = [audio.createOscillator(), audio.createGain()];
        const at = audio.currentTime + i * 0.45;
        o.frequency.value = pitch;
        g.gain.setValueAtTime(0, at);
        g.gain.linearRampToValueAtTime(0.25, at + 0.03);
        g.gain.linearRampToValueAtTime(0, at + 0.35);
        o.connect(g).connect(audio.destination);
        o.start(at);
        o.stop(at + 0.4);
      }
    } catch {
      // no sound here: the light says it too
    }
  }
  function start(): void {
    over = false;
    began = now = Date.now();
    keep('began', String(began));
    tone(660, 1);
    shared.said = 'Go';
  }
  function stop(): void {
    began = 0;
    keep('began', '0');
  }
  function act(): void {
    if (runs) stop();
    else start();
  }
  const R = 96;
  const round = 2 * Math.PI * R;
</script>

<svelte:window onkeydown={shortcuts({ space: act })} />

<Bench
  title="A minute"
  keys={[['space', runs ? 'stop' : 'start']]}
  shelfSays={page?.choices.find((f) => f.id === facts)?.name ?? ''}
  bookSays={runs ? 'running' : 'the clock'}
  drawer={300}
>
  {#snippet shelf()}
    <h1>One minute</h1>
    <h2 id="of">Facts</h2>
    <div class="list" role="radiogroup" aria-labelledby="of">
      {#each page?.choices ?? [] as f (f.id)}
        <button
          role="radio"
          aria-checked={f.id === facts}
          onclick={() => {
            facts = f.id;
            keep('facts', f.id);
          }}>{f.name}</button
        >
      {/each}
    </div>
    <p class="links">
      <a href={view(`sheets?kind=minute`)} use:link>Print its sheet</a>
    </p>
  {/snippet}

  {#snippet mat()}
    <div class="all">
      {#if trouble}<Wrong {trouble} />{/if}
      {#if page && !runs}
        <MinuteRows
          rows={page.children.filter((c) => !c.missing)}
          {facts}
          {seconds}
          today={page.today}
          onrow={() => undefined}
        />
      {:else if runs}
        <div class="big" class:light>
          <b>{Math.ceil(left)}</b>
        </div>
      {/if}
    </div>
  {/snippet}

  {#snippet book()}
    <div class="clock" class:light={light && runs} class:over={light && over}>
      <svg viewBox="-110 -110 220 220" aria-hidden="true">
        <circle r={R} class="rim" />
        <circle
          r={R}
          class="left"
          stroke-dasharray="{(round * left) / seconds} {round}"
          transform="rotate(-90)"
        />
      </svg>
      <span class="kid" role="timer" aria-label="seconds left">{Math.ceil(left)}</span>
    </div>
    {#if over}<p class="over" role="status">Stop. Lay the pencils down.</p>{/if}
    <h2 id="long">How long</h2>
    <Sides
      labelledby="long"
      sides={[
        { value: '30', name: '30 s' },
        { value: '60', name: '1 min' },
        { value: '120', name: '2 min' },
      ]}
      now={String(seconds)}
      onset={(v) => {
        if (runs) return;
        seconds = Number(v);
        keep('seconds', v);
      }}
    />
    <h2 id="sound">Sound</h2>
    <Sides
      labelledby="sound"
      sides={[
        { value: 'on', name: 'on' },
        { value: 'off', name: 'off' },
      ]}
      now={sound ? 'on' : 'off'}
      onset={(v) => {
        sound = v === 'on';
        keep('sound', v);
      }}
    />
    <h2 id="light">Light</h2>
    <Sides
      labelledby="light"
      sides={[
        { value: 'on', name: 'on' },
        { value: 'off', name: 'off' },
      ]}
      now={light ? 'on' : 'off'}
      onset={(v) => {
        light = v === 'on';
        keep('light', v);
      }}
    />
    <p class="small">
      Any child may sit one out. What a child comes to stands beside its own last times.
    </p>
  {/snippet}

  {#snippet foot()}
    <Next label={runs ? 'Stop' : over ? 'Once more' : 'Start'} key="space" onclick={act} />
  {/snippet}
</Bench>

<style>
  h2 {
    margin: 14px 0 4px;
    font-size: 15px;
    font-weight: 650;
    color: var(--ink-2);
  }
  .list {
    display: grid;
    gap: 4px;
  }
  .list button {
    min-height: 44px;
    padding: 0 10px;
    border-left: 4px solid transparent;
    text-align: left;
  }
  .list button[aria-checked='true'] {
    background: var(--leaf-tint);
    border-left-color: var(--leaf);
    font-weight: 650;
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
  .big {
    display: grid;
    place-items: center;
    height: 100%;
    border-radius: var(--r3);
    font-family: var(--kid);
  }
  .big.light {
    background: var(--leaf-tint);
  }
  .big b {
    font-size: min(40vh, 300px);
    font-weight: 700;
    line-height: 1;
  }
  .clock {
    position: relative;
    display: grid;
    place-items: center;
    max-width: 220px;
    margin: 0 auto;
    border-radius: 50%;
  }
  .clock.light {
    background: var(--leaf-tint);
  }
  .clock.over {
    background: #f7dd9a;
  }
  .clock span {
    position: absolute;
    font-size: 64px;
    font-weight: 700;
  }
  .rim {
    fill: none;
    stroke: var(--line);
    stroke-width: 12;
  }
  .left {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 12;
  }
  p.over {
    margin-top: 6px;
    text-align: center;
    font-weight: 650;
  }
  .small {
    margin-top: 12px;
  }
</style>

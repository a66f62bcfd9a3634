<script lang="ts">
  // A number that a child fetches: the guide enters by touch what lies on the tray, and has
  // it looked at. What is missing, too much or in the wrong place is said.
  import { untrack } from 'svelte';
  import { api } from '../../../lib/api';
  import Cards from '../../../lib/pieces/Cards.svelte';
  import Piece from '../../../lib/pieces/Piece.svelte';
  import Plain from '../../../lib/parts/Plain.svelte';
  import { classPath, shared, troubleOf } from '../../../lib/state.svelte';
  import type { One, TrayLies, TraySays } from '../../../lib/wire.gen';
  import Acts from './Acts.svelte';
  import { Kept } from './kept.svelte';

  let {
    one,
    kept,
    material,
    w,
    h,
    ontold,
  }: {
    one: One;
    kept: string;
    material: string;
    w: number;
    h: number;
    ontold: () => void;
  } = $props();

  const PLACES = ['thousands', 'hundreds', 'tens', 'ones'];
  const MOST = shared.desk!.limits.tray; // pieces of a kind
  const BACK = 200; // so many touches can be taken back
  const SHOWN = 9; // of a kind drawn; how many there are is written
  const NONE: Record<string, number> = {};
  /** What lay on the tray after each touch. */
  const hands = new Kept(
    untrack(() => `tray ${kept}`),
    [NONE],
  );
  const lies = $derived(hands.now.at(-1)!);
  let said = $state<TraySays>();
  let trouble = $state('');
  let looking = 0;
  const laid = $derived(material === 'drawings' ? 'beads' : material);
  const UNIT: Record<string, number> = { thousands: 3.4, hundreds: 5, tens: 6, ones: 11 };
  const STEP: Record<string, number> = { thousands: 4.4, hundreds: 1.6, tens: 1.5, ones: 1.35 };
  const name = (place: string): string =>
    shared.words.places.find((p) => p.id === place)?.many ?? place;

  /** What was said belongs to what lay there. */
  function lay(next: Record<string, number>): void {
    looking++;
    said = undefined;
    trouble = '';
    hands.now = [...hands.now.slice(-BACK), next];
  }
  const change = (place: string, by: number): void => {
    const n = Math.max(0, Math.min(MOST, (lies[place] ?? 0) + by));
    if (n !== (lies[place] ?? 0)) lay({ ...lies, [place]: n });
  };
  function undo(): void {
    if (hands.now.length < 2) return;
    looking++;
    said = undefined;
    hands.now = hands.now.slice(0, -1);
  }
  async function look(): Promise<void> {
    const mine = ++looking;
    trouble = '';
    try {
      const tray: TrayLies = { number: one.number, lies };
      const got = await api<TraySays>('POST', classPath('/tray'), tray);
      if (mine === looking) said = got;
      if (!got.right) ontold();
    } catch (error) {
      if (mine === looking) {
        const t = troubleOf(error);
        trouble = `${t.title}. ${t.remedy ?? ''}`;
      }
    }
  }
  const empty = $derived(!Object.values(lies).some((n) => n > 0));
  let foot = $state(116);
  const LOW = 230;
  /** Pieces grow with the room for them. */
  const grow = $derived(Math.max(0.7, Math.min(1.6, (h - foot - 220) / 200, w / 640)));
</script>

<div class="fetched" style:width="{w}px" style:height="{h}px">
  <div class="asked kid">
    {#if one.shown === 'cards'}<Cards cards={one.cards} cell={30} large />
    {:else}<span class:long={one.given.length > 12}>{one.given}</span>{/if}
  </div>
  <div class="tray" style:min-height="{Math.max(LOW, h - foot - 70)}px">
    {#each PLACES as p (p)}
      {@const n = lies[p] ?? 0}
      <div class="lane" role="group" aria-label="{n} {name(p)} on the tray">
        <span class="name kid" style:color="var(--{p}-ink)">{name(p)}</span>
        <button
          class="pile"
          aria-label="One more: {name(p)}"
          disabled={n >= MOST}
          onclick={() => change(p, 1)}
        >
          {#if n && p === 'ones'}
            {#each { length: Math.ceil(Math.min(n, SHOWN) / 3) }, k (k)}
              <Piece
                material={laid}
                place={p}
                unit={UNIT[p]! * grow}
                n={Math.min(3, Math.min(n, SHOWN) - 3 * k)}
                dx={STEP[p]}
              />
            {/each}
          {:else if n}
            <Piece
              material={laid}
              place={p}
              unit={UNIT[p]! * grow}
              n={Math.min(n, SHOWN)}
              dx={p === 'tens' ? STEP[p] : 0.5}
              step={p === 'tens' ? 0 : STEP[p]}
            />
          {:else}<span class="none">+</span>{/if}
        </button>
        <span class="count" class:narrow={w < 600}>
          <button aria-label="One less: {name(p)}" disabled={n === 0} onclick={() => change(p, -1)}
            >−</button
          >
          <b class="kid">{n}</b>
          <button aria-label="One more, {name(p)}" disabled={n >= MOST} onclick={() => change(p, 1)}
            >+</button
          >
        </span>
      </div>
    {/each}
  </div>
  <div bind:clientHeight={foot}>
    <Acts says={trouble || (said?.says ?? '')} wrong={!!trouble || said?.right === false}>
      <Plain disabled={hands.now.length < 2} onclick={undo}>Undo</Plain>
      <Plain disabled={empty} onclick={() => lay(NONE)}>Empty the tray</Plain>
      <Plain onclick={() => void look()}>Look at the tray</Plain>
    </Acts>
  </div>
</div>

<style>
  .fetched {
    display: flex;
    flex-direction: column;
    overflow-y: auto;
  }
  .asked {
    min-height: 56px;
    display: grid;
    place-items: center;
    font-size: 46px;
    line-height: 1.1;
    text-align: center;
  }
  .asked .long {
    font-size: 26px;
  }
  .tray {
    flex: 1 0 auto;
    display: grid;
    grid-template-columns: repeat(4, minmax(0, 1fr));
    border: 1.5px solid var(--tray);
    border-radius: 12px;
    background: var(--sheet);
  }
  .lane {
    display: flex;
    flex-direction: column;
    align-items: stretch;
    padding: 8px;
    min-width: 0;
  }
  .lane + .lane {
    border-left: 1.5px solid var(--line);
  }
  .name {
    font-size: var(--t3);
    text-align: center;
  }
  .pile {
    flex: 1;
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    min-height: 96px;
    overflow: hidden;
    border-radius: var(--r2);
  }
  .pile:hover {
    background: var(--leaf-tint);
  }
  .none {
    color: var(--ink-2);
    font-size: 28px;
  }
  .count {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 4px;
  }
  .count.narrow {
    flex-wrap: wrap;
    justify-content: center;
  }
  .count.narrow b {
    order: -1;
    flex: 1 0 100%;
    text-align: center;
  }
  .count button {
    flex: none;
    width: 44px;
    min-height: 44px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--paper);
    font-size: 22px;
    text-align: center;
  }
  .count b {
    font-size: 30px;
  }
  @media (max-width: 480px) {
    .tray {
      grid-template-columns: repeat(2, minmax(0, 1fr));
    }
    .lane:nth-child(3) {
      border-left: none;
    }
  }
</style>

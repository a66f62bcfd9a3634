<script lang="ts">
  // The cards of a lesson on the rims of its trays, as far as it has come.
  import Cards, { cardHeight } from '../../lib/pieces/Cards.svelte';
  import { NARROW, type Layout } from '../../lib/pieces/layout';
  import { PIECES } from '../../lib/pieces/units';
  import type { Lesson } from '../../lib/wire.gen';
  import Layer from './Layer.svelte';
  import Rim from './Rim.svelte';

  let {
    lesson,
    index,
    plan,
    zones,
    w,
    apart,
  }: {
    lesson: Lesson;
    index: number;
    plan: Layout;
    zones: string[];
    w: number;
    apart: boolean; // cards lie apart, as the expanded form
  } = $props();

  const sum = $derived(lesson.link.sum);
  const step = $derived(lesson.steps[index]!);
  const done = $derived(lesson.steps.slice(0, index + 1));
  const cardsOf = (tray: number): number[] | undefined =>
    done.find((s) => s.kind === 'label' && s.tray === tray)?.cards;
  const written = $derived(done.filter((s) => s.kind === 'write'));
  const slid = $derived(done.find((s) => s.kind === 'slide'));
  const checking = $derived(step.at.startsWith('check'));

  /** The width of a digit on the cards, in px: at least 40 px high where there is room. */
  const narrow = $derived(w < NARROW);
  const smallCell = $derived(narrow ? 26 : 36);
  const largeCell = $derived(narrow ? 26 : 40);
  /** Up to so many trays have cards of full size on the rim. */
  const FEW = 3;
  const trays = $derived(lesson.steps.filter((s) => s.kind === 'label').map((s) => s.tray!));
  const rimCell = $derived(trays.length > FEW ? (narrow ? 18 : 24) : smallCell);
  const digits = (n: number): number => String(n).length;

  const joined = $derived(zones.includes('joined') ? plan.bands.joined : undefined);
  const start = $derived(plan.bands.start);
  const taking = $derived(sum.kind === 'difference');
  /** What is left stands on the lower rim, place by place, then slid together. */
  const band = $derived(plan.bands.joined ?? (taking ? start : undefined));
  const shares = $derived(zones.filter((z) => z.startsWith('share')));
  const shareCell = $derived(shares.length > FEW ? 15 : 20);
  const mine = $derived(written.flatMap((s) => s.cards));
</script>

<Layer off={!!joined}>
  {#each trays as nth (nth)}
    {@const tray = plan.bands[`tray-${nth}`]}
    {#if tray}<Rim
        cards={cardsOf(nth)}
        digits={digits(sum.numbers[sum.kind === 'trays' ? 0 : nth - 1]!)}
        cell={rimCell}
        x={tray.x + 20}
        y={tray.y}
        apart={apart && tray.width > 500}
      />{/if}
  {/each}
</Layer>

{#if plan.bands.joined}
  {@const at = plan.bands.joined}
  <Layer off={!joined}>
    {#if slid}
      <Rim cards={slid.cards} cell={largeCell} large x={at.x + 20} y={at.y} {apart} />
    {:else}
      <div
        class="labels"
        class:close={trays.length > FEW}
        style:top="{at.y - cardHeight(rimCell, false) / 2}px"
        style:left="{at.x + 20}px"
      >
        {#each trays as nth, i (nth)}
          {#if i > 0 && trays.length <= FEW}<span class="and kid">and</span>{/if}
          <Cards cards={cardsOf(nth) ?? []} cell={trays.length > 6 ? rimCell * 0.8 : rimCell} />
        {/each}
      </div>
    {/if}
  </Layer>
{/if}

{#if start && trays.length}
  <Rim
    cards={cardsOf(1)}
    digits={digits(sum.one?.number ?? sum.numbers[0]!)}
    cell={largeCell}
    large
    x={start.x + 20}
    y={start.y}
    {apart}
  />
{/if}
{#if taking}
  {@const taken = plan.bands.taken}
  <!-- Drawn, nothing is laid on a tray of its own: the cards stand beside. -->
  <Rim
    cards={cardsOf(2)}
    digits={digits(sum.numbers[1]!)}
    cell={smallCell}
    x={taken ? taken.x + 20 : start!.x + 60 + digits(sum.numbers[0]!) * largeCell}
    y={taken ? taken.y : start!.y}
  >
    {#if cardsOf(2)}<span class="goes kid">{checking ? 'taken away' : 'to take away'}</span>{/if}
  </Rim>
{/if}

{#if band && slid && taking}
  <Rim cards={slid.cards} cell={smallCell} x={start!.x} y={band.y + band.height} right {apart} />
{:else if band && !slid}
  <Layer off={band === plan.bands.joined && !joined}>
    {#each band.lanes as lane (lane.place)}
      {@const w = written.find((s) => s.place === lane.place)}
      <Rim
        cards={w && w.cards}
        digits={PIECES.indexOf(lane.place) + 1}
        cell={taking ? smallCell : largeCell}
        large={!taking}
        x={lane.x}
        y={band.y + band.height}
        color="var(--{lane.place}-ink)"
      />
    {/each}
  </Layer>
{/if}

{#each shares as zone, i (zone)}
  {@const b = plan.bands[zone]!}
  <Rim
    cards={mine.length ? mine : undefined}
    digits={digits(sum.answer)}
    cell={shareCell}
    x={b.x + 10}
    y={b.y}
    quiet={i > 0}
  >
    <span class="nth small">{i + 1}</span>
  </Rim>
{/each}

{#if zones.includes('groups')}
  {@const b = plan.bands.groups!}
  {#if slid}
    <Rim cards={slid.cards} cell={smallCell} x={b.x + 20} y={b.y}>
      <span class="goes kid">groups of {sum.numbers[1]}</span>
    </Rim>
  {:else}
    <Rim cards={[]} none="groups of {sum.numbers[1]}" cell={smallCell} x={b.x + 20} y={b.y} />
  {/if}
{/if}

<style>
  .labels {
    position: absolute;
    display: flex;
    align-items: center;
    gap: 10px;
  }
  .labels.close {
    gap: 14px;
  }
  .and {
    font-size: var(--t3);
    padding: 0 2px;
    background: linear-gradient(var(--paper) 50%, var(--sheet) 50%);
  }
  .goes {
    padding: 0 4px;
    font-size: var(--t2);
    background: linear-gradient(var(--paper) 50%, var(--sheet) 50%);
  }
  .nth {
    padding: 0 4px;
    background: linear-gradient(var(--paper) 50%, var(--sheet) 50%);
  }
</style>

<script lang="ts">
  // What was said before, on a line around what came out. It is never corrected.
  import type { Learner, Worked } from '../../lib/wire.gen';

  let { worked, children }: { worked: Worked; children: Learner[] } = $props();

  const W = 250;
  const values = $derived([worked.answer, ...worked.estimates.map((e) => e.value)]);
  /** The line begins at 0, so that near and far are seen as they are. */
  const most = $derived(Math.max(1, ...values));
  const x = (v: number): number => 30 + (v / most) * (W - 60);
  const name = (id: string): string => children.find((c) => c.id === id)?.name ?? '';
</script>

<figure>
  <h2>Estimates made before</h2>
  <svg
    width={W}
    height={34 + worked.estimates.length * 18}
    role="img"
    aria-label="Estimates: {worked.estimates
      .map((e) => `${name(e.learner)} ${e.value}`)
      .join(', ')}; the answer is {worked.answer}"
  >
    {#each worked.estimates as e, i (e.learner)}
      {@const y = 14 + i * 18}
      <path class="drop" d="M{x(e.value)} {y + 3}V{worked.estimates.length * 18 + 8}" />
      <use href="#leaf" transform="translate({x(e.value) - 4} {y}) scale(.5)" />
      <text
        x={x(e.value) + (x(e.value) > W / 2 ? -10 : 12)}
        y={y + 2}
        text-anchor={x(e.value) > W / 2 ? 'end' : 'start'}>{name(e.learner)} {e.value}</text
      >
    {/each}
    <path class="line" d="M10 {worked.estimates.length * 18 + 10}H{W - 10}" />
    <text class="nought" x={x(0)} y={worked.estimates.length * 18 + 30} text-anchor="middle">0</text
    >
    <circle cx={x(worked.answer)} cy={worked.estimates.length * 18 + 10} r="4.5" />
    <text
      class="out"
      x={Math.min(W - 60, Math.max(84, x(worked.answer)))}
      y={worked.estimates.length * 18 + 30}
      text-anchor="middle">answer {worked.answer}</text
    >
  </svg>
</figure>

<style>
  .line {
    stroke: var(--ink-2);
    stroke-width: 1.5;
  }
  .drop {
    stroke: var(--line);
  }
  text {
    font: 400 var(--t1) var(--text);
    fill: var(--ink);
  }
  .out {
    font-weight: 650;
  }
</style>

<script lang="ts">
  // What the slates say: how many are right, which other answers there are, whose they are and
  // what they mean. For the guide alone.
  import { shared } from '../../lib/state.svelte';
  import { meaning } from './meaning';
  import type { SlateChild, Slates } from '../../lib/wire.gen';

  let {
    here,
    marks,
    children,
    kept,
    onchoose,
  }: {
    here: Slates;
    marks: Record<string, { mark: string; answer: string }>;
    children: SlateChild[];
    kept?: string; // by whom the round was kept
    onchoose: (child: string) => void;
  } = $props();

  const there = $derived(children.filter((c) => !c.away));
  const right = $derived(
    there.filter((c) => !marks[c.id] || ['right', 'mirrored'].includes(marks[c.id]!.mark)),
  );
  const groups = $derived.by(() => {
    const out: { text: string; says: string; who: SlateChild[]; off: boolean }[] = [];
    for (const c of there) {
      const m = marks[c.id];
      if (!m || m.mark === 'right' || m.mark === 'mirrored') continue;
      const text = m.mark === 'gave' ? m.answer || '…' : '';
      const says =
        m.mark === 'gave'
          ? meaning(here, m.answer)
          : (here.marks.find((x) => x.id === m.mark)?.name ?? '');
      const same = out.find((g) => g.text === text && (text !== '' || g.says === says));
      if (same) same.who.push(c);
      else out.push({ text, says, who: [c], off: m.mark === 'gave' });
    }
    return out;
  });
  const turned = $derived(there.filter((c) => marks[c.id]?.mark === 'mirrored'));
</script>

<h2>What the slates say</h2>
{#if kept}<p class="small">Kept by {kept}.</p>{/if}
<ul>
  <li>
    <b class="kid">{here.right}</b>
    <span>
      <span class="dots" role="img" aria-label="{right.length} of {there.length} right"
        >{#each right as c, i (c.id)}<i class:five={i % 5 === 4}></i>{/each}</span
      >
      <span class="small">{right.length} of {there.length}</span>
      {#each turned as c (c.id)}
        <button class="small private" onclick={() => onchoose(c.id)}
          >{c.name}: a figure turned round</button
        >
      {/each}
    </span>
  </li>
  {#if !shared.covered}
    {#each groups as g (g.text + g.says)}
      <li class:off={g.off}>
        <b class="kid">{g.text}</b>
        <span>
          <button class="small" onclick={() => onchoose(g.who[0]!.id)}
            >{g.who.map((c) => c.name).join(', ')}{g.says ? `: ${g.says}` : ''}</button
          >
        </span>
      </li>
    {/each}
  {/if}
</ul>

<style>
  h2 {
    margin-top: var(--s3);
  }
  li {
    display: grid;
    grid-template-columns: minmax(46px, auto) 1fr;
    gap: 10px;
    padding: 5px 0;
    border-bottom: 1px solid var(--line);
  }
  b {
    font-size: var(--t3);
    overflow-wrap: anywhere;
    max-width: 110px;
  }
  .off b {
    color: var(--clay-ink);
  }
  .dots {
    display: flex;
    flex-wrap: wrap;
    gap: 2px;
    padding-top: 6px;
  }
  .dots i {
    width: 9px;
    height: 9px;
    border-radius: 50%;
    background: var(--leaf);
  }
  .dots i.five {
    margin-right: 5px;
  }
  button {
    display: block;
    min-height: 44px;
    text-decoration: underline;
    text-decoration-color: var(--gap);
    text-underline-offset: 3px;
  }
</style>

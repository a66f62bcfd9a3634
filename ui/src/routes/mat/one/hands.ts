// What can be done by the child's own hands on the mat.
import type { Component } from 'svelte';
import type { One } from '../../../lib/wire.gen';
import Ringed from './Ringed.svelte';
import Sorted from './Sorted.svelte';
import TrayFetched from './TrayFetched.svelte';

interface InHands {
  one: One;
  kept: string; // under which name it is kept over a reload
  material: string;
  w: number;
  h: number;
  ontold: () => void; // the mat has said that something is not right
}
const HANDS: Record<string, Component<InHands>> = { crowd: Ringed, boxes: Sorted };

/** How a child works the number itself: rings a crowd, sorts sticks, fetches what a card says. */
export function handsOf(one: One | undefined): Component<InHands> | undefined {
  if (one?.scene === 'places' && one.answered === 'lay' && one.shown !== 'renamed')
    return TrayFetched;
  return one && HANDS[one.scene];
}

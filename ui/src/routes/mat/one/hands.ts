// What can be done by the child's own hands on the mat, by its scene.
import type { Component } from 'svelte';
import type { One } from '../../../lib/wire.gen';
import Ringed from './Ringed.svelte';
import Sorted from './Sorted.svelte';

interface InHands {
  one: One;
  kept: string; // under which name it is kept over a reload
  w: number;
  h: number;
}
export const HANDS: Record<string, Component<InHands>> = { crowd: Ringed, boxes: Sorted };

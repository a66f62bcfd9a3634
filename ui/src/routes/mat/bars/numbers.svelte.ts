// Whether numbers stand under the beads: kept on the device, as how this adult presents.
const KEY = 'numbers-under-beads';

class Numbers {
  shown = $state(localStorage.getItem(KEY) !== 'hidden');
  set(shown: boolean): void {
    this.shown = shown;
    try {
      localStorage.setItem(KEY, shown ? 'shown' : 'hidden');
    } catch {
      // the device is full: it holds for now
    }
  }
}

export const numbers = new Numbers();

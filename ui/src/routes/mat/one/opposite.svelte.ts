// Whether the mat is seen as the child sees it who sits opposite: turned, not mirrored. Kept on
// the device.
const TURNED = 'mat-turned';

class Opposite {
  turned = $state(localStorage.getItem(TURNED) === 'yes');

  turn(): void {
    this.turned = !this.turned;
    localStorage.setItem(TURNED, this.turned ? 'yes' : 'no');
  }
}

export const opposite = new Opposite();

export interface Slip {
  readonly id: string;
  readonly name: string;
  readonly photo: string;
  readonly alt: string;
  readonly free: boolean;
}

export const slips: readonly Slip[] = [
  { id: 'south', name: 'South slip', photo: 'south.jpg', alt: 'A sloop on the south slip', free: true },
  { id: 'north', name: 'North slip', photo: 'north.jpg', alt: 'Two dinghies on the north slip', free: false },
];

export const tides = [
  { place: 'Outer gate', high: '04:12', low: '10:25' },
  { place: 'Inner basin', high: '04:30', low: '10:51' },
];

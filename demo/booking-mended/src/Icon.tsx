export type IconName = 'basket' | 'book' | 'cancel' | 'move';

export const Icon = ({ name }: { name: IconName }) => (
  <svg aria-hidden="true" width="16" height="16">
    <use href={`/icons.svg#${name}`} />
  </svg>
);

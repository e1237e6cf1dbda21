import type { ReactNode } from 'react';

export function Tile({ onPick, children }: { onPick: () => void; children: ReactNode }) {
  return (
    <button type="button" className="tile" onClick={() => onPick()}>
      {children}
    </button>
  );
}

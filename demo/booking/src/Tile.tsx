import type { ReactNode } from 'react';

export function Tile({ onPick, children }: { onPick: () => void; children: ReactNode }) {
  return <div className="tile" onClick={() => onPick()}>{children}</div>;
}

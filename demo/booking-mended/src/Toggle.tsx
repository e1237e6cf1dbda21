import { useState } from 'react';

export function Toggle({ label }: { label: string }) {
  const [on, setOn] = useState(false);
  return (
    <button type="button" role="switch" aria-checked={on} onClick={() => setOn(!on)}>
      {label}
    </button>
  );
}

import { SlipCard } from '@/SlipCard';
import { slips } from '@/data';

export function SlipList({ onBook }: { onBook: (id: string) => void }) {
  return (
    <section aria-label="Slips">
      <h2>Slips</h2>
      <ul>
        {slips.map((slip) => (
          <li key={slip.id}>
            <SlipCard slip={slip} onBook={() => onBook(slip.id)} />
          </li>
        ))}
      </ul>
    </section>
  );
}

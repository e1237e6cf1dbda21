import { Badge } from '@/Badge';
import { HullPhoto } from '@/HullPhoto';
import { IconButton } from '@/IconButton';
import { Tile } from '@/Tile';
import type { Slip } from '@/data';

interface SlipCardProps {
  slip: Slip;
  onBook: () => void;
}

export function SlipCard({ slip, onBook }: SlipCardProps) {
  return (
    <article>
      <h3>{slip.name}</h3>
      <Badge tone={slip.free ? 'free' : 'taken'} />
      <HullPhoto src={slip.photo} alt={slip.alt} />
      <Tile onPick={onBook}>Details of {slip.name}</Tile>
      <IconButton icon="book" label={`Book ${slip.name}`} onPress={onBook} />
      <IconButton icon="move" label={`Move ${slip.name}`} onPress={() => window.print()} />
    </article>
  );
}

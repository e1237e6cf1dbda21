import { useState } from 'react';
import { BookingDialog } from '@/BookingDialog';
import { BookingForm } from '@/BookingForm';
import { SlipList } from '@/SlipList';
import { TideTable } from '@/TideTable';
import { Notice } from '@/Notice';
import { tides } from '@/data';

export function BookingPage() {
  const [chosen, setChosen] = useState<string | null>(null);
  return (
    <main>
      <h1>Book a slip</h1>
      <Notice>The slip is closed at low water.</Notice>
      <SlipList onBook={setChosen} />
      <TideTable caption="Tides today" rows={tides} />
      <BookingForm />
      {chosen && <BookingDialog slip={chosen} onClose={() => setChosen(null)} />}
    </main>
  );
}

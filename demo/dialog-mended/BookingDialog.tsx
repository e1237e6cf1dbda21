import { useRef, useState } from "react";
import "./booking-dialog.css";

interface Booking {
  readonly slip: string;
  readonly feePerDay: number;
}

/** A slip that can be booked: a dialog asks who for. */
export function SlipBooking({ slip, feePerDay }: Booking) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [fees, setFees] = useState(false);
  const [booked, setBooked] = useState("");

  function book() {
    dialog.current?.close();
    setBooked(`${slip} is booked.`);
  }

  return (
    <section className="slip">
      <h2>{slip}</h2>
      <button type="button" aria-expanded={fees} onClick={() => setFees(!fees)}>
        What it costs
      </button>
      {fees && <p>{feePerDay} a day, water and power included.</p>}
      <button type="button" onClick={() => dialog.current?.showModal()}>
        Book {slip}
      </button>
      <p role="status">{booked}</p>
      <dialog className="panel" ref={dialog} aria-label={`Book ${slip}`}>
        <h3>Who is it for?</h3>
        <label htmlFor="boat">Boat</label>
        <input id="boat" autoComplete="off" aria-describedby="boat-hint" />
        <p className="hint" id="boat-hint">
          As it stands on her transom.
        </p>
        <button type="button" onClick={book}>
          Book
        </button>
        <button type="button" onClick={() => dialog.current?.close()}>
          Not now
        </button>
      </dialog>
    </section>
  );
}

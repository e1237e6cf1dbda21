import { useState } from "react";
import "./booking-dialog.css";

interface Booking {
  readonly slip: string;
  readonly feePerDay: number;
}

/** A slip that can be booked: a dialog asks who for. */
export function SlipBooking({ slip, feePerDay }: Booking) {
  const [open, setOpen] = useState(false);
  const [fees, setFees] = useState(false);
  const [booked, setBooked] = useState("");

  function book() {
    setOpen(false);
    setBooked(`${slip} is booked.`);
  }

  return (
    <section className="slip">
      <h2>{slip}</h2>
      <button type="button" aria-expanded="false" onClick={() => setFees(!fees)}>
        What it costs
      </button>
      {fees && <p>{feePerDay} a day, water and power included.</p>}
      <button type="button" onClick={() => setOpen(true)}>
        Book {slip}
      </button>
      {booked && <p>{booked}</p>}
      {open && (
        <div className="backdrop">
          <div className="panel" role="dialog" aria-modal="true" aria-label={`Book ${slip}`}>
            <h3>Who is it for?</h3>
            <label htmlFor="boat">Boat</label>
            <input id="boat" autoComplete="off" />
            <p className="hint">As it stands on her transom.</p>
            <button type="button" onClick={book}>
              Book
            </button>
            <img src="cross.svg" onClick={() => setOpen(false)} />
          </div>
        </div>
      )}
    </section>
  );
}

import { Component, input, signal } from "@angular/core";

/** A slip that can be booked: a dialog asks who for. */
@Component({
  selector: "yard-slip-booking",
  standalone: true,
  templateUrl: "./slip-booking.html",
  styleUrl: "./slip-booking.css",
})
export class SlipBooking {
  readonly slip = input.required<string>();
  readonly feePerDay = input.required<number>();
  protected readonly isOpen = signal(false);
  protected readonly showsFees = signal(false);
  protected readonly booked = signal("");

  protected book() {
    this.isOpen.set(false);
    this.booked.set(`${this.slip()} is booked.`);
  }
}

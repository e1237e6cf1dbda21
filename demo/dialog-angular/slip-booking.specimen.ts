import { specimen } from "even-keel/specimen";
import { SlipBooking } from "./slip-booking";

specimen("slip booking", () => ({ component: SlipBooking, inputs: { slip: "Slip 4", feePerDay: 18 } }));

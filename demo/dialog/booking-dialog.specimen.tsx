import { specimen } from "even-keel/specimen";
import { SlipBooking } from "./BookingDialog";

specimen("slip booking", () => <SlipBooking slip="Slip 4" feePerDay={18} />);

import { DialogTitle } from '@/DialogTitle';
import { IconButton } from '@/IconButton';

interface BookingDialogProps {
  slip: string;
  onClose: () => void;
}

export function BookingDialog({ slip, onClose }: BookingDialogProps) {
  return (
    <div role="dialog" aria-modal="true" aria-labelledby="booking-title" tabIndex={-1}>
      <DialogTitle id="booking-title">Book {slip}</DialogTitle>
      <p>Which day?</p>
      <IconButton icon="cancel" label="Close" onPress={onClose} />
    </div>
  );
}

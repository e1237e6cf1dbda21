import { ChoiceGroup } from '@/ChoiceGroup';
import { Field } from '@/Field';
import { TextInput } from '@/TextInput';
import { Toggle } from '@/Toggle';

export function BookingForm() {
  return (
    <form>
      <h2>Your boat</h2>
      <Field label="Name of the boat">{(id) => <TextInput id={id} name="boat" />}</Field>
      <Field label="Draught in metres">{(id) => <TextInput id={id} name="draught" />}</Field>
      <ChoiceGroup title="When should it be hauled out?" name="tide" choices={['Morning tide', 'Evening tide']} />
      <Toggle label="Shore power" />
      <button>Ask for a slip</button>
    </form>
  );
}

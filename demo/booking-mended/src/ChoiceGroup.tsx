interface ChoiceGroupProps {
  title: string;
  name: string;
  choices: readonly string[];
}

export function ChoiceGroup({ title, name, choices }: ChoiceGroupProps) {
  return (
    <fieldset>
      <legend>{title}</legend>
      {choices.map((choice) => (
        <label key={choice}>
          <input type="radio" name={name} value={choice} /> {choice}
        </label>
      ))}
    </fieldset>
  );
}

interface TextInputProps {
  id?: string;
  name: string;
}

export const TextInput = ({ id, name }: TextInputProps) => <input id={id} name={name} type="text" />;

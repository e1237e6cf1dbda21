import { useId, type ReactNode } from 'react';

interface FieldProps {
  label: string;
  children: (id: string) => ReactNode;
}

export function Field({ label, children }: FieldProps) {
  const id = useId();
  return (
    <p>
      <label htmlFor={id}>{label}</label>
      {children(id)}
    </p>
  );
}

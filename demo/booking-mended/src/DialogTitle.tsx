import type { ReactNode } from 'react';

interface DialogTitleProps {
  id: string;
  children: ReactNode;
}

export const DialogTitle = ({ id, children }: DialogTitleProps) => <h2 id={id}>{children}</h2>;

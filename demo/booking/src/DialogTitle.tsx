import type { ReactNode } from 'react';

interface DialogTitleProps {
  id: string;
  children: ReactNode;
}

export const DialogTitle = ({ children }: DialogTitleProps) => <h2>{children}</h2>;

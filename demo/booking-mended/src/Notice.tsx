import type { ReactNode } from 'react';

export const Notice = ({ children }: { children: ReactNode }) => <p role="note">{children}</p>;

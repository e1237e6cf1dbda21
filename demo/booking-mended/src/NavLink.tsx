import type { ReactNode } from 'react';

interface NavLinkProps {
  to: string;
  children: ReactNode;
}

export const NavLink = ({ to, children }: NavLinkProps) => <a href={to}>{children}</a>;

import type { ReactNode } from 'react';

/** One figure with its name, in a list of them. */
export const Fact = ({ name, children }: { readonly name: string; readonly children: ReactNode }) => (
  <div>
    <dt>{name}</dt>
    <dd className="figures">{children}</dd>
  </div>
);

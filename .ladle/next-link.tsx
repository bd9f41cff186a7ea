/** A link as it is without Next, which alone knows what to do with `prefetch`. */
import type { ComponentProps } from 'react';

export default function PlainLink(props: ComponentProps<'a'> & { prefetch?: boolean }) {
  const rest = { ...props };
  delete rest.prefetch;
  return <a {...rest} />;
}

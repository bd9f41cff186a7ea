/** A part that is loaded when it is first shown, without Next. */
import { lazy, Suspense, type ComponentProps, type ComponentType } from 'react';

export default function dynamic<Props extends object>(load: () => Promise<ComponentType<Props>>) {
  const Part = lazy(async () => ({ default: await load() })) as unknown as ComponentType<Props>;
  return function Loaded(props: ComponentProps<typeof Part>) {
    return (
      <Suspense fallback={null}>
        <Part {...props} />
      </Suspense>
    );
  };
}

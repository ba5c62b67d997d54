import { Suspense, type ComponentType, type ReactNode } from 'react';

/** A piece that is fetched when it is first shown, with what stands in its place until then. */
export function whenFetched<Props extends object>(
  Piece: ComponentType<Props>,
  waiting: (props: Props) => ReactNode,
): ComponentType<Props> {
  return function WhenFetched(props) {
    return (
      <Suspense fallback={waiting(props)}>
        <Piece {...props} />
      </Suspense>
    );
  };
}

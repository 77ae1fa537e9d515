import { createElement, Suspense, use, type ComponentType, type ReactNode } from 'react';
import { everyText } from '../i18n';
import { Loading } from './States';

/**
 * The screens of one place come together, when the first of them is opened: what nobody looks at is not fetched.
 * @param load the place's module, by an import of its own.
 * @param words what the place says, beyond what is said first.
 * @returns of each screen that is picked from it what stands for it until then.
 */
export function placed<M extends object>(load: () => Promise<M>, words: () => Promise<void> = everyText) {
  let there: M | undefined;
  let coming: Promise<M> | undefined;
  const come = async () => ([there] = await Promise.all([load(), words()]))[0];
  return <P extends object>(pick: (place: M) => ComponentType<P>): ((props: P) => ReactNode) => {
    // Once the place is there its other screens are drawn at once.
    const Screen = (props: P) => createElement(pick(there ?? use((coming ??= come()))), props);
    return function Placed(props: P) {
      return (
        <Suspense fallback={<Loading />}>
          <Screen {...props} />
        </Suspense>
      );
    };
  };
}

/** Of a place whose words are among the first. */
export const nothingMore = (): Promise<void> => Promise.resolve();

import { createElement, Suspense, use, useState, type ComponentType, type ReactNode } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { everyText } from '../i18n';
import { isStale, reloadOnce } from '../store';
import { Failed, Loading } from './States';

/** Stands for a place that did not come; where its script is gone with an old version, the page is loaded anew. */
function Away({ error, resetErrorBoundary }: FallbackProps) {
  const [reloads] = useState(() => isStale(error) && reloadOnce());
  if (!isStale(error)) throw error;
  return reloads ? <Loading /> : <Failed onRetry={resetErrorBoundary} />;
}

/**
 * The screens of one place come together, when the first of them is opened: what nobody looks at is not fetched. One
 * that does not come leaves the page around it as it is, and is asked for again.
 * @param load the place's module, by an import of its own.
 * @param words what the place says, beyond what is said first.
 * @returns of each screen that is picked from it what stands for it until then.
 */
export function placed<M extends object>(load: () => Promise<M>, words: () => Promise<void> = everyText) {
  let there: M | undefined;
  let coming: Promise<M> | undefined;
  const come = async () => ([there] = await Promise.all([load(), words()]))[0];
  const askAgain = () => (coming = undefined);
  return <P extends object>(pick: (place: M) => ComponentType<P>): ((props: P) => ReactNode) => {
    // Once the place is there its other screens are drawn at once.
    const Screen = (props: P) => createElement(pick(there ?? use((coming ??= come()))), props);
    return function Placed(props: P) {
      return (
        <ErrorBoundary FallbackComponent={Away} onReset={askAgain}>
          <Suspense fallback={<Loading />}>
            <Screen {...props} />
          </Suspense>
        </ErrorBoundary>
      );
    };
  };
}

/** Of a place whose words are among the first. */
export const nothingMore = (): Promise<void> => Promise.resolve();

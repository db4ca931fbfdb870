import { useSyncExternalStore } from 'react';
import { flushSync } from 'react-dom';

const narrow = () => matchMedia('(max-width: 50rem)');
let printing = false;

function subscribe(changed: () => void): () => void {
  const print = (on: boolean) => () => {
    printing = on;
    // The printer does not wait: the paper has to have its own width, and its type its size, when it looks.
    flushSync(changed);
  };
  const [before, after] = [print(true), print(false)];
  const width = narrow();
  width.addEventListener('change', changed);
  addEventListener('beforeprint', before);
  addEventListener('afterprint', after);
  return () => {
    width.removeEventListener('change', changed);
    removeEventListener('beforeprint', before);
    removeEventListener('afterprint', after);
  };
}

/** Whether sheets are read on a screen narrower than paper, where they flow instead of keeping the paper's width. */
export const useHandheld = (): boolean =>
  useSyncExternalStore(subscribe, () => narrow().matches && !printing);

import { useEffect, useRef, useState } from 'react';
import { useFormat } from '../../household';
import { useAppSelector } from '../../store';
import { startTableWorker, type TableAnswer, type TableAsk } from '../../workers';

/** So long a table may take to be read. */
const patienceMs = 20_000;

type Given = Pick<TableAsk, 'text' | 'file' | 'means' | 'order' | 'isMarks'>;

/** Reads tables beside the page; what takes too long is given up. */
export function useTable(): { answer: TableAnswer | null; busy: boolean; read: (given: Given) => void } {
  const lang = useAppSelector(({ prefs }) => prefs.language);
  const known = useAppSelector(({ prefs }) => prefs.tables);
  const { today } = useFormat();
  const [answer, setAnswer] = useState<TableAnswer | null>(null);
  const [busy, setBusy] = useState(false);
  const worker = useRef<Worker | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const turn = useRef(0);
  const end = () => {
    if (timer.current) clearTimeout(timer.current);
    worker.current?.terminate();
    worker.current = null;
  };
  useEffect(() => end, []);
  const read = (given: Given) => {
    turn.current += 1;
    const mine = turn.current;
    const told = (next: TableAnswer) => {
      if (next.turn !== turn.current) return;
      if (timer.current) clearTimeout(timer.current);
      setAnswer(next);
      setBusy(false);
    };
    const own = worker.current ?? startTableWorker();
    worker.current = own;
    own.onmessage = ({ data }: MessageEvent<TableAnswer>) => told(data);
    own.onerror = () => {
      told({ turn: mine, fault: 'unreadable' });
      end();
    };
    if (timer.current) clearTimeout(timer.current);
    timer.current = setTimeout(() => {
      end();
      told({ turn: mine, fault: 'too-slow' });
    }, patienceMs);
    setBusy(true);
    own.postMessage({ turn: mine, lang, today, known, ...given } satisfies TableAsk);
  };
  return { answer, busy, read };
}

import type { DeliveryFault, LockedScreen, Pushed } from '@cadro/contract';
import { tellAlert } from '@cadro/core';
import type { Config, Db } from '../../kit';
import { SendError } from '../delivery/gateway';
import { letterWords } from '../delivery/letterWords';
import type { KeptAlert } from '../store';
import type { Settings } from '../watchStore';
import { dropDevice, reachesOf } from './deviceStore';
import { pushTo } from './service';

/** An alert as a device shows it, no more of it than its guardian lets a locked screen say. */
export function pushedAlert(
  id: string,
  alert: KeptAlert,
  child: { readonly givenName: string; readonly timeZone: string } | null,
  lead: readonly string[],
  { language, timeZone, onLockedScreen }: Settings['delivery'],
): Pushed {
  const { pushed } = letterWords[language];
  const shown: LockedScreen = onLockedScreen ?? 'nothing';
  const frame = { id, path: `/alerts/${alert.id}` };
  if (shown === 'nothing' || (shown === 'child' && !child))
    return { ...frame, title: 'Cadro', text: pushed.something };
  const name = child?.givenName ?? '';
  if (shown === 'child') return { ...frame, title: 'Cadro', text: pushed.about(name) };
  const told = tellAlert(language, { ...alert, titled: [] }, { timeZone: child?.timeZone ?? timeZone, lead });
  return { ...frame, title: name || 'Cadro', text: told.headline };
}

/** A try of the channel. */
export const pushedTest = (id: string, { language }: Settings['delivery']): Pushed => ({
  ...{ id, path: '/alerts/delivery', title: 'Cadro' },
  text: letterWords[language].test.text,
});

const noDevices: DeliveryFault = { reason: 'no-devices', status: null };

/** What came of it before everything went well. */
export class PartlySent extends SendError {
  constructor(
    cause: SendError,
    /** Ids of the devices that have it. */
    readonly reached: readonly string[],
  ) {
    super(cause.fault, cause.kind, { cause });
  }
}

/**
 * Pushes a message to every device of a guardian that has not had it; one that its service knows no more is let go of.
 * @param had ids of the devices that have it.
 * @returns ids of the devices that have it by now.
 * @throws PartlySent where a service was away or refused it; what the others have stands in it.
 */
export async function pushToDevices(
  { db, config }: { readonly db: Db; readonly config: Config },
  guardianId: string,
  message: Pushed,
  had: readonly string[],
): Promise<readonly string[]> {
  const reached = [...had];
  let failed: SendError | null = null;
  for (const { id, reach } of await reachesOf(db, config.secret, guardianId)) {
    if (had.includes(id)) continue;
    try {
      if (reach && (await pushTo(config, reach, message))) reached.push(id);
      else await dropDevice(db, guardianId, id);
    } catch (error) {
      if (!(error instanceof SendError)) throw error;
      if (failed?.kind !== 'passing') failed = error;
    }
  }
  if (failed) throw new PartlySent(failed, reached);
  if (reached.length === 0) throw new SendError(noDevices, 'refused');
  return reached;
}

import { unseal, type Config } from '../../kit';
import type { SourceRow } from '../store';
import type { Budget } from './budget';
import { SchoolHttp } from './schoolHttp';

/** Opens a source's door, by what one wants there. @param anyScope whether one that knows none of the scopes is asked for what it gives. */
export const doorTo =
  (
    config: Pick<Config, 'secret' | 'sourceTimeoutMs' | 'privateSources'>,
    source: Pick<SourceRow, 'base_url' | 'client_id' | 'client_secret_sealed'>,
    budget: Budget,
  ) =>
  (scopes: readonly string[], anyScope = false): SchoolHttp =>
    new SchoolHttp({
      baseUrl: source.base_url,
      clientId: source.client_id,
      clientSecret: unseal(config.secret, source.client_secret_sealed),
      timeoutMs: config.sourceTimeoutMs,
      allowPrivate: config.privateSources,
      ...{ budget, scopes, anyScope },
    });

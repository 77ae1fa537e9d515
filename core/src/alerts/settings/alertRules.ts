import type { KeptException, KeptRules } from '@cadro/contract';
import type { RuleSettings } from '../rules';

/** What of the rules can differ for a child or a course: any part of any rule about a child. */
export type RuleChanges = { readonly [N in keyof RuleSettings]?: Partial<RuleSettings[N]> };

/** Where a child or a course differs from the rest. */
export interface RuleException extends KeptException {
  rules: RuleChanges;
}

/** Rules of which every one is known with all it has. */
export interface AlertRules extends KeptRules {
  rules: RuleSettings;
  exceptions: RuleException[];
}

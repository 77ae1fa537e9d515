/** An account of which something is left, such as for meals; or a fee that is to be paid. */
export const balanceKinds = ['account', 'fee'] as const;
export type BalanceKind = (typeof balanceKinds)[number];

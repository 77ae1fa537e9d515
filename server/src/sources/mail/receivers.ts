import type { AddressObject, ParsedMail } from 'mailparser';

const addressesIn = (field: AddressObject | AddressObject[] | undefined): string[] =>
  [field ?? []].flat().flatMap(({ value }) => value.flatMap(({ address }) => (address ? [address] : [])));

/** To whom a mail is. */
export const receiversOf = ({ to, cc }: Pick<ParsedMail, 'to' | 'cc'>): string[] => [
  ...addressesIn(to),
  ...addressesIn(cc),
];

/** What the servers on a mail's way call the address they bring it to. */
const bringing = ['delivered-to', 'x-original-to', 'envelope-to', 'x-envelope-to', 'x-delivered-to'];
const oneAddress = /[^\s<>,;:"()]+@[^\s<>,;:"()]+/g;

/** To which addresses a mail was brought, whoever it says it is to. */
export const broughtTo = ({ headerLines }: Pick<ParsedMail, 'headerLines'>): string[] =>
  headerLines.filter(({ key }) => bringing.includes(key)).flatMap(({ line }) => line.match(oneAddress) ?? []);

import { idSigned, signedId } from '../../kit';

const purpose = 'stop';

/** What stands in each mail's address for stopping mail: nobody can make up one for another guardian. */
export const stopToken = (secret: string, guardianId: string): string =>
  // No dot: it stands in an address of the app, where a dot means a file.
  signedId(secret, purpose, guardianId, '-');

/** The guardian a token stands for; null when it is none of ours. */
export const guardianOfToken = (secret: string, text: string): string | null =>
  idSigned(secret, purpose, text);

export type MinorCode =
  | 'unauthorisedrequest'
  | 'forbidden'
  | 'unknownobject'
  | 'invalid_filter_field'
  | 'invaliddata'
  | 'server_busy';

/** The standard's own error body. */
export const oneRosterError = (code: MinorCode, description: string) => ({
  imsx_codeMajor: 'failure',
  imsx_severity: 'error',
  imsx_description: description,
  imsx_CodeMinor: {
    imsx_codeMinorField: [{ imsx_codeMinorFieldName: 'TargetEndSystem', imsx_codeMinorFieldValue: code }],
  },
});

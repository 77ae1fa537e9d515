export * from './standardsTally';
export * from './sumTally';
export * from './tally';

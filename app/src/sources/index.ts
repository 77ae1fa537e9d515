export * from './api';
export * from './DemoClock';
export * from './FreshnessNote';
export * from './SourceStates';
export * from './Untold';

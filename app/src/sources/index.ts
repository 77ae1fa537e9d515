export * from './api';
export * from './DemoClock';
export * from './FreshnessNote';
export * from './own';
export * from './SourceStates';
export * from './Untold';

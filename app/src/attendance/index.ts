export * from './DaysScreen';

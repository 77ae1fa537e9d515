export * from './OperatorScreen';

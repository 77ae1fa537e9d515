export * from './AlertList';
export * from './AlertsLink';
export * from './AlertView';
export * from './DeliveryScreen';
export * from './DigestScreen';
export * from './MailStopScreen';
export * from './rules/RulesScreen';
export * from './useTold';

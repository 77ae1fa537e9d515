export * from './PlanScreen';
export * from './ShownPlan';

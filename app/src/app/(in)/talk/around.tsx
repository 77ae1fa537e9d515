import { AroundScreen } from '../../../around';

export default function Around() {
  return <AroundScreen />;
}

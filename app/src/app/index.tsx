import { LedTo } from '../ui';

export default function Start() {
  return <LedTo to="/brief" />;
}

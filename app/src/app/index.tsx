import { Redirect } from 'expo-router';

export default function Start() {
  return <Redirect href="/brief" />;
}

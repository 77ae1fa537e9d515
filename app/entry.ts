// The address's secret is taken off it before the router reads the address.
import './src/household/door/taken';
import 'expo-router/entry';

import { useWindowDimensions } from 'react-native';
import { wideFrom } from './palette';

export const useWide = (): boolean => useWindowDimensions().width >= wideFrom;

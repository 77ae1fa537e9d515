import { useWindowDimensions } from 'react-native';
import { broadFrom, wideFrom } from './palette';

export const useWide = (): boolean => useWindowDimensions().width >= wideFrom;

export const useBroad = (): boolean => useWindowDimensions().width >= broadFrom;

export { PastScreen } from './PastScreen';
export { SitdownScreen } from './SitdownScreen';

export { demoRouter } from './routes';
export { loadStory, refreshAddresses } from './loadStory';

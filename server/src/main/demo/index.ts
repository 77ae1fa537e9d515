export { demoRouter } from './routes';
export { demoPassword, loadStory, refreshAddresses } from './loadStory';

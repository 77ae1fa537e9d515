export { cardsPage } from './cardsPage';
export { reportPage } from './reportPage';

export { digestPaper } from './digestPaper';

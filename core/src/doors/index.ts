export { answerSum, listSums } from './door.ts';

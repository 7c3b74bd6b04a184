export { answerSum, listSums } from './door.ts';
export { listFaults } from './why-sums.ts';

/** The batches of a practice, by number; no batch of a kitchen is called so. */
export const practiceId = (no: number): string => `0000PRACT1CE00000000000${String(no).padStart(3, '0')}`;
const isPractice = /^0000PRACT1CE0{11}\d{3}$/;
export const isPracticeId = (id: string): boolean => isPractice.test(id);

/** Something that was not done, with the sentence that says why. */
export class NotDone extends Error {}

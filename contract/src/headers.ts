/*
 * By themselves: every page reads them, and whatever stood beside them would be fetched with the first page.
 */
/** Header of an export that carries what deleting asks for. */
export const RECEIPT_HEADER = 'iron-clasp-receipt';

/** Header that carries the code of the terminal where a file is sent with it. */
export const SET_UP_CODE_HEADER = 'x-iron-clasp-code';

/** Pieces are painted so many times as fine as they are shown. */
export const PIECE_FINER = 2

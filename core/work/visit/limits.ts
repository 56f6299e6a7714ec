/** The largest file that a frame or photo may come in, bytes; said before a byte is sent, and held by the server. */
export const MAX_FILE_BYTES = 24 * 1024 * 1024;

/** The largest ZIP of such files, bytes. */
export const MAX_ZIP_BYTES = 2 * 1024 * 1024 * 1024;

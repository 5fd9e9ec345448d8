/** A SHA-256 in hexadecimal digits. */
export const SHA256 = /^[0-9a-f]{64}$/;

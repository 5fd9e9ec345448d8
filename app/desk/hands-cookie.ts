/** Set by a page that nobody has touched for a while: what it reads by itself keeps nobody signed in. */
export const HANDS_COOKIE = "hands";

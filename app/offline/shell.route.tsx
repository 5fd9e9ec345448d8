/** The address that the shell is made from: no loader of anybody's runs for it. The server answers it from the build. */
export default function Shell() {
  return null;
}

/** Something that went wrong in the app, in words for the person. */
export class AppProblem extends Error {
  override readonly name = 'AppProblem'
}

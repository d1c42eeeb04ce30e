import { BringInView } from '../../parts/bring-in/bring-in-view.js'

/** Commands and keys come in as the person has them. */
export const BringInPage = () => <BringInView />

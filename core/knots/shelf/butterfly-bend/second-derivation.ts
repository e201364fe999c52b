/** The butterfly bend once more: cut from the butterfly wound on the hand, which shares nothing with the twist. */
import { butterflyByHand } from '../alpine-butterfly/wound';
import { cutAtTheEye } from './cut';

export const butterflyBendByHand = () => cutAtTheEye(butterflyByHand());

/**
 * What a receiver makes of the packets of one universe: who sends, in which order, with which priority, and whose level each slot has.
 * The rules of streaming ACN (ANSI E1.31-2018) and Art-Net 4, from memory; time comes with each packet.
 */
@NullMarked
package taxon.core.reception;

import org.jspecify.annotations.NullMarked;

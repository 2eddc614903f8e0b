/** Practice at the simulated rig: cases with hidden faults, and how well they were found. */
@NullMarked
package taxon.simrig.practice;

import org.jspecify.annotations.NullMarked;

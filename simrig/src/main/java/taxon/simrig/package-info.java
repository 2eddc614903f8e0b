/**
 * The simulated rig: nodes and units that stand in for real ones, and speak only over UDP.
 *
 * <p>It binds loopback addresses only and answers whoever asked. Faults are given with the units, by giving them another
 * address or personality than the plan has, or by leaving them silent.
 */
@NullMarked
package taxon.simrig;

import org.jspecify.annotations.NullMarked;

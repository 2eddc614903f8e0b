/**
 * The demo job and the simulated rig that belongs to it. All of it is invented.
 */
@NullMarked
package taxon.app.demo;

import org.jspecify.annotations.NullMarked;

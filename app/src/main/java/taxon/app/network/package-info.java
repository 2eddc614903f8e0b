/**
 * The stage Network: nodes, ports, and the way that each universe leaves.
 */
@NullMarked
package taxon.app.network;

import org.jspecify.annotations.NullMarked;

/**
 * How universes leave: Port-Addresses, streaming ACN universes and groups, IPv4, routes to the ports of nodes.
 *
 * <p>Values only; sockets live in the wire module.
 */
@NullMarked
package taxon.core.network;

import org.jspecify.annotations.NullMarked;

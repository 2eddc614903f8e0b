/**
 * The stage Addresses: tapes, typed addresses, reserved runs, proposals, findings.
 */
@NullMarked
package taxon.app.addresses;

import org.jspecify.annotations.NullMarked;

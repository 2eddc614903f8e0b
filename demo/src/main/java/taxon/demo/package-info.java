/**
 * The invented world of the demo: types that no maker makes. Real work does not need it; tests use it as their sample.
 */
@NullMarked
package taxon.demo;

import org.jspecify.annotations.NullMarked;

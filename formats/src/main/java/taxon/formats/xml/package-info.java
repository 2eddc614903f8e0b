/**
 * XML that may come from anyone: one hardened reader for all formats. No document type, no entity but the five of XML, bounds
 * on depth, elements and attributes.
 */
@NullMarked
package taxon.formats.xml;

import org.jspecify.annotations.NullMarked;

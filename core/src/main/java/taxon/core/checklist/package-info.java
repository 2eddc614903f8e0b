/** What is checked at each unit along the rig, what is raised for it, and how far it is. */
@NullMarked
package taxon.core.checklist;

import org.jspecify.annotations.NullMarked;

package taxon.app.rig;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Objects;
import taxon.app.web.PageView;
import taxon.app.web.Selection;

/** Addresses of the rig page. */
final class RigPages {
    private RigPages() {}

    /** The rig with what the form says is chosen, looked at as it says. */
    static String rig(int job, HttpServletRequest request) {
        Selection selection = Selection.read(Objects.requireNonNullElse(request.getParameter("sel"), ""));
        return "/jobs/" + job + "/rig" + PageView.of(request).query(selection.text());
    }
}

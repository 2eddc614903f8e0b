package taxon.app.rig;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Objects;
import taxon.app.form.Selection;
import taxon.app.frame.PageView;

/** Addresses of the rig page. */
public final class RigPages {
    private RigPages() {}

    /** The rig with what the form says is chosen, looked at as it says. */
    public static String rig(int job, HttpServletRequest request) {
        Selection selection = Selection.read(Objects.requireNonNullElse(request.getParameter("sel"), ""));
        return "/jobs/" + job + "/rig" + PageView.of(request).query(selection.text());
    }
}

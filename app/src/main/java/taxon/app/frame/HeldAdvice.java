package taxon.app.frame;

import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;

/** Tells every page what is driven by hand now, and pages that are open what became of it. */
@Controller
@ControllerAdvice
public class HeldAdvice {
    private final HeldNow now;

    HeldAdvice(HeldNow now) {
        this.now = now;
    }

    @ModelAttribute("heldNow")
    public List<HeldNow.Line> held() {
        return now.held();
    }

    /** The strip alone, for a page that is open. */
    @GetMapping("/held")
    String strip(Model model) {
        return "frame/held :: strip";
    }
}

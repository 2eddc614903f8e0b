package taxon.app.frame;

import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.ModelAttribute;

/** Tells every page whether it is day or night. */
@ControllerAdvice
public class ThemeAdvice {
    @ModelAttribute("night")
    public boolean night(@CookieValue(name = ThemeController.COOKIE, defaultValue = "day") String theme) {
        return theme.equals(ThemeController.NIGHT);
    }
}

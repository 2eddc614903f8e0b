package taxon.app.upkeep;

import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** Tells every page when the store cannot be written, or soon could not. */
@ControllerAdvice
class StoreAdvice {
    private final StoreHealth health;

    StoreAdvice(StoreHealth health) {
        this.health = health;
    }

    @ModelAttribute("storeWarning")
    String storeWarning() {
        return health.warning().orElse("");
    }
}

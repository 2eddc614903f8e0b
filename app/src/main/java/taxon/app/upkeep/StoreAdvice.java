package taxon.app.upkeep;

import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** Tells every page when the store cannot be written, or soon could not. */
@ControllerAdvice
class StoreAdvice {
    private static final String DAMAGED =
            "Something in the store is damaged. The page of the store says what, and what can be done.";

    private final StoreHealth health;
    private final WholeCheck check;

    StoreAdvice(StoreHealth health, WholeCheck check) {
        this.health = health;
        this.check = check;
    }

    @ModelAttribute("storeWarning")
    String storeWarning() {
        return health.warning().orElse(check.result().faults().isEmpty() ? "" : DAMAGED);
    }
}

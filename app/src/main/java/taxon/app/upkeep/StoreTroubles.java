package taxon.app.upkeep;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import taxon.app.form.Troubles;
import taxon.app.store.file.StoreTrouble;

/** An edit or a page that the disk did not let through: why, in words, and what is needed. */
@ControllerAdvice
@Order(1)
class StoreTroubles {
    private static final Logger LOG = LoggerFactory.getLogger(StoreTroubles.class);

    private final StoreHealth health;

    StoreTroubles(StoreHealth health) {
        this.health = health;
    }

    @ExceptionHandler({DataAccessException.class, TransactionException.class})
    Object failed(RuntimeException e, HttpServletRequest request) {
        Optional<StoreTrouble> trouble = StoreTrouble.behind(e);
        LOG.warn("{} {}: {}", request.getMethod(), request.getRequestURI(), e.getMessage(), e);
        trouble.filter(t -> t != StoreTrouble.BUSY).ifPresent(health::failed);
        String sentence = trouble.map(StoreTrouble::sentence)
                .orElse("The store refused this, and nothing was changed. The log beside the store says more.");
        return Troubles.answer(
                status(trouble), sentence + health.warning().map(w -> " " + w).orElse(""), request);
    }

    private static HttpStatus status(Optional<StoreTrouble> trouble) {
        return trouble.map(t -> switch (t) {
                    case FULL, READ_ONLY, DISK -> HttpStatus.INSUFFICIENT_STORAGE;
                    case BUSY -> HttpStatus.SERVICE_UNAVAILABLE;
                    case DAMAGED -> HttpStatus.INTERNAL_SERVER_ERROR;
                })
                .orElse(HttpStatus.INTERNAL_SERVER_ERROR);
    }
}

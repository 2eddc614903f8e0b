package taxon.app.paperwork;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import taxon.app.form.Troubles;
import taxon.app.printing.PrintTasks;

/** A paper that waited too long for its turn. */
@ControllerAdvice
@Order(1)
class PrintTroubles {
    @ExceptionHandler({PrintQueue.FullException.class, PrintTasks.TooManyException.class})
    Object full(RuntimeException e, HttpServletRequest request) {
        return Troubles.answer(HttpStatus.SERVICE_UNAVAILABLE, String.valueOf(e.getMessage()), request);
    }
}

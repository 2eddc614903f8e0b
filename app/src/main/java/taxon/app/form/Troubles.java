package taxon.app.form;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import taxon.app.edit.NoSuchJobException;

/** What cannot be shown: a sentence and the right status, as a page or as JSON. */
@ControllerAdvice
public class Troubles {

    @ExceptionHandler({NoSuchJobException.class, NotThereException.class})
    public Object notThere(RuntimeException e, HttpServletRequest request) {
        return answer(HttpStatus.NOT_FOUND, String.valueOf(e.getMessage()), request);
    }

    @ExceptionHandler({NoResourceFoundException.class, MethodArgumentTypeMismatchException.class})
    public Object noSuchAddress(Exception e, HttpServletRequest request) {
        return answer(HttpStatus.NOT_FOUND, "There is no page at " + request.getRequestURI() + ".", request);
    }

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    public Object tooLarge(MaxUploadSizeExceededException e, HttpServletRequest request) {
        return answer(
                HttpStatus.CONTENT_TOO_LARGE,
                "The file is larger than what is taken here: 8 MiB for an equipment list, 32 MiB for a GDTF file or a job.",
                request);
    }

    /** A sentence under a status: JSON for a script, else a page. */
    public static Object answer(HttpStatus status, String sentence, HttpServletRequest request) {
        if (Reply.wantsJson(request)) {
            return Reply.json(status, Reply.reasons(status, sentence));
        }
        ModelAndView page = new ModelAndView("web/trouble");
        page.setStatus(status);
        page.addObject("sentence", sentence);
        return page;
    }
}

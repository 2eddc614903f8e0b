package taxon.app.access;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.apache.coyote.InputBuffer;
import org.apache.tomcat.util.net.ApplicationBufferHandler;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Takes bodies in turn. Posts that are half sent hold some threads of the server, never all; large files are read a few at a
 * time, as many as the memory holds; what is too long is refused before it is read.
 */
final class BodyValve extends ValveBase {
    private static final Logger LOG = LoggerFactory.getLogger(BodyValve.class);
    private static final int MEBIBYTE = 1 << 20;
    private static final long PATIENCE_SECONDS = 120;

    private final Semaphore bodies;
    private final Semaphore mebibytes;
    private final int allMebibytes;

    /**
     * @param bodies how many posts are read at once
     * @param mebibytes how much of them is held at once
     */
    BodyValve(int bodies, int mebibytes) {
        super(true);
        this.bodies = new Semaphore(bodies);
        this.mebibytes = new Semaphore(mebibytes, true);
        this.allMebibytes = mebibytes;
    }

    @Override
    public void invoke(Request request, Response response) throws IOException, ServletException {
        if (!hasBody(request)) {
            getNext().invoke(request, response);
            return;
        }
        BodyLimit limit = BodyLimit.of(request.getRequestURI());
        if (request.getContentLengthLong() < 0) {
            refuse(request, response, HttpServletResponse.SC_LENGTH_REQUIRED);
        } else if (request.getContentLengthLong() > limit.bytes()) {
            request.setAttribute(BodyLimit.PASSED, limit.mebibytes());
            refuse(request, response, HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE);
            leave(request);
        } else if (bodies.tryAcquire()) {
            try {
                inTurn(request, response);
            } finally {
                bodies.release();
            }
        } else {
            refuse(request, response, HttpServletResponse.SC_SERVICE_UNAVAILABLE);
        }
    }

    private static boolean hasBody(Request request) {
        return request.getContentLengthLong() > 0 || request.getHeader("Transfer-Encoding") != null;
    }

    private void inTurn(Request request, Response response) throws IOException, ServletException {
        int weight = (int) Math.min(allMebibytes, request.getContentLengthLong() / MEBIBYTE);
        if (!isTaken(weight)) {
            refuse(request, response, HttpServletResponse.SC_SERVICE_UNAVAILABLE);
            return;
        }
        try {
            read(request, response);
        } finally {
            mebibytes.release(weight);
        }
    }

    private boolean isTaken(int weight) {
        try {
            return mebibytes.tryAcquire(weight, PATIENCE_SECONDS, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    private void read(Request request, Response response) throws IOException, ServletException {
        org.apache.coyote.Request wire = request.getCoyoteRequest();
        InputBuffer direct = wire.getInputBuffer();
        PatientBody patient = new PatientBody(direct, System::nanoTime);
        wire.setInputBuffer(patient);
        try {
            getNext().invoke(request, response);
        } finally {
            wire.setInputBuffer(direct);
            if (patient.isGivenUp()) {
                wire.action(ActionCode.DISABLE_SWALLOW_INPUT, null);
            } else {
                drain(wire, new PatientBody(direct, System::nanoTime));
            }
        }
    }

    /** Who is still sending what was refused hears of it only when they are through: they are listened to, if not for long. */
    private void leave(Request request) {
        org.apache.coyote.Request wire = request.getCoyoteRequest();
        if (bodies.tryAcquire()) {
            try {
                drain(wire, new PatientBody(wire.getInputBuffer(), System::nanoTime));
            } finally {
                bodies.release();
            }
        } else {
            wire.action(ActionCode.DISABLE_SWALLOW_INPUT, null);
        }
    }

    /** What nobody read is read to its end, as patiently, so that the next request on this line begins where it should. */
    private static void drain(org.apache.coyote.Request wire, PatientBody body) {
        try {
            Unread unread = new Unread();
            while (body.doRead(unread) >= 0) {
                unread.setByteBuffer(ApplicationBufferHandler.EMPTY_BUFFER);
            }
        } catch (IOException tooSlowOrTooLong) {
            LOG.debug("A body was left unread: {}", tooSlowOrTooLong.getMessage());
            wire.action(ActionCode.DISABLE_SWALLOW_INPUT, null);
        }
    }

    /** Where bytes go that nobody wants. */
    private static final class Unread implements ApplicationBufferHandler {
        private ByteBuffer buffer = EMPTY_BUFFER;

        @Override
        public void setByteBuffer(ByteBuffer given) {
            buffer = given;
        }

        @Override
        public ByteBuffer getByteBuffer() {
            return buffer;
        }

        @Override
        public void expand(int size) {
            // Bodies are read in the pieces that they come in.
        }
    }

    /** Answers without reading the body. Nobody shall look for fields in it on the way. */
    private static void refuse(Request request, Response response, int status) throws IOException {
        org.apache.coyote.Request wire = request.getCoyoteRequest();
        wire.getMimeHeaders().removeHeader("Content-Type");
        if (status != HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE) {
            wire.action(ActionCode.DISABLE_SWALLOW_INPUT, null);
        }
        response.setHeader("Retry-After", "5");
        response.sendError(status);
    }
}

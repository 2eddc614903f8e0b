package taxon.app;

import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Says on the console where to look. */
@Component
class ReadyMessage {
    @EventListener
    void ready(ApplicationReadyEvent event) {
        if (event.getApplicationContext() instanceof WebServerApplicationContext web && web.getWebServer() != null) {
            System.out.println(
                    "Taxon is ready: http://127.0.0.1:" + web.getWebServer().getPort() + "/  (Ctrl-C stops it)");
        }
    }
}

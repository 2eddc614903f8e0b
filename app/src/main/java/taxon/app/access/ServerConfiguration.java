package taxon.app.access;

import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import taxon.app.TaxonSettings;

/** How the server takes requests: bodies in turn, and never all of its threads for them. */
@Configuration(proxyBeanMethods = false)
class ServerConfiguration {
    /** Of the server's threads ({@code server.tomcat.threads.max}); the others stay for pages. */
    private static final int BODIES = 40;

    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> bodiesInTurn(TaxonSettings settings) {
        return factory -> factory.addContextValves(new BodyValve(BODIES, settings.uploadMebibytes()));
    }
}

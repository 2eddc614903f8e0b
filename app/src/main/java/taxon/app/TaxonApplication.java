package taxon.app;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;

/** Starts Taxon: one process, one SQLite file, bound to 127.0.0.1. */
@SpringBootApplication(proxyBeanMethods = false, exclude = UserDetailsServiceAutoConfiguration.class)
@ConfigurationPropertiesScan
public class TaxonApplication {
    public static void main(String[] arguments) {
        SpringApplication.run(TaxonApplication.class, arguments);
    }
}

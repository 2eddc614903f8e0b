package taxon.app;

import java.time.Clock;
import java.util.List;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.EnableConfigurationProperties;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import taxon.app.command.CheckCommand;
import taxon.app.command.CompareCommand;
import taxon.app.start.StartTrouble;
import taxon.app.store.copies.StoreCommand;

/** Starts Taxon: one process, one SQLite file, bound to 127.0.0.1. */
@SpringBootApplication(proxyBeanMethods = false, exclude = UserDetailsServiceAutoConfiguration.class)
@EnableConfigurationProperties(TaxonSettings.class)
public class TaxonApplication {
    private static final int REFUSED = 1;

    /** Serves, or runs one of the commands about a store. What stops it is one line on the console and exit status 1. */
    public static void main(String[] arguments) {
        List<String> given = List.of(arguments);
        if (StoreCommand.isOne(given)) {
            System.exit(new StoreCommand(System.out, Clock.systemUTC()).run(given));
        }
        if (CheckCommand.isOne(given)) {
            System.exit(new CheckCommand(System.out).run(given));
        }
        if (CompareCommand.isOne(given)) {
            System.exit(new CompareCommand(System.out).run(given));
        }
        try {
            SpringApplication.run(TaxonApplication.class, arguments);
        } catch (SpringApplication.AbandonedRunException askedFor) {
            throw askedFor;
        } catch (RuntimeException | Error failure) {
            System.err.println("taxon: " + StartTrouble.line(failure));
            System.exit(REFUSED);
        }
    }
}

package taxon.app;

import java.time.Clock;
import java.util.List;
import org.mybatis.spring.boot.autoconfigure.MybatisLanguageDriverAutoConfiguration;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.autoconfigure.aop.AopAutoConfiguration;
import org.springframework.boot.autoconfigure.info.ProjectInfoAutoConfiguration;
import org.springframework.boot.autoconfigure.jmx.JmxAutoConfiguration;
import org.springframework.boot.autoconfigure.ssl.SslAutoConfiguration;
import org.springframework.boot.autoconfigure.task.TaskExecutionAutoConfiguration;
import org.springframework.boot.autoconfigure.task.TaskSchedulingAutoConfiguration;
import org.springframework.boot.context.properties.EnableConfigurationProperties;
import org.springframework.boot.jackson.autoconfigure.JacksonAutoConfiguration;
import org.springframework.boot.jdbc.autoconfigure.JdbcClientAutoConfiguration;
import org.springframework.boot.jdbc.autoconfigure.JdbcTemplateAutoConfiguration;
import org.springframework.boot.persistence.autoconfigure.PersistenceExceptionTranslationAutoConfiguration;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import org.springframework.boot.transaction.autoconfigure.TransactionAutoConfiguration;
import taxon.app.command.CheckCommand;
import taxon.app.command.CompareCommand;
import taxon.app.start.StartTrouble;
import taxon.app.store.copies.StoreCommand;

/** Starts Taxon: one process, one SQLite file, bound to 127.0.0.1. */
@SpringBootApplication(
        proxyBeanMethods = false,
        // What Taxon does not use is not looked for at each start; docs/figures.md says what that spares.
        exclude = {
            AopAutoConfiguration.class,
            JacksonAutoConfiguration.class,
            JdbcClientAutoConfiguration.class,
            JdbcTemplateAutoConfiguration.class,
            JmxAutoConfiguration.class,
            MybatisLanguageDriverAutoConfiguration.class,
            PersistenceExceptionTranslationAutoConfiguration.class,
            ProjectInfoAutoConfiguration.class,
            SslAutoConfiguration.class,
            TaskExecutionAutoConfiguration.class,
            TaskSchedulingAutoConfiguration.class,
            TransactionAutoConfiguration.class,
            UserDetailsServiceAutoConfiguration.class
        })
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

package vestcoin.app.edge;

import java.time.Clock;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.json.JsonMapper;
import vestcoin.app.format.Json;

/** HTTP speaks the same JSON as the files. */
@Configuration
class JsonSettings {
    @Bean
    JsonMapper jsonMapper() {
        return Json.MAPPER;
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}

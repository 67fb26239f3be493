package vestcoin.app.edge;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.json.ProblemDetailJacksonMixin;
import tools.jackson.databind.json.JsonMapper;
import vestcoin.app.format.Json;

/** HTTP speaks the same JSON as the files, and tells problems in the form of RFC 9457. */
@Configuration
class JsonSettings {
    @Bean
    JsonMapper jsonMapper() {
        return Json.phrased(Answers::phrases)
                .rebuild()
                .addMixIn(ProblemDetail.class, ProblemDetailJacksonMixin.class)
                .build();
    }
}

package vestcoin.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import vestcoin.app.run.ContractCommand;
import vestcoin.app.run.ServeCommand;

class ContractTest {
    @Test
    void the_described_api_is_that_of_the_code() throws Exception {
        int port = RunningShop.freePort();
        try (var context = ServeCommand.application(
                port,
                Files.createTempDirectory("vest-coin-contract"),
                "http://127.0.0.1:1",
                "--springdoc.api-docs.enabled=true")) {
            assertThat(ContractCommand.openApi(port))
                    .as("run ./vest-coin contract")
                    .isEqualTo(Files.readString(Path.of("..", "docs", "formats", "openapi.json")));
        }
    }
}

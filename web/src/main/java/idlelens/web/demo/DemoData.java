package idlelens.web.demo;

import idlelens.core.scene.Shot;
import idlelens.exchange.outgoing.HandOff;
import idlelens.exchange.profile.ReceiverProfile;
import idlelens.web.account.AccountRepository;
import idlelens.web.database.Transactions;
import idlelens.web.feel.RecordingRepository;
import idlelens.web.handoff.Came;
import idlelens.web.handoff.FileWriting;
import idlelens.web.handoff.HandoffRepository;
import idlelens.web.production.ProductionRepository;
import idlelens.web.shot.AssetRepository;
import idlelens.web.shot.ShotService;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** Adds the demo account with its production, once. */
@Component
@ConditionalOnProperty("idle-lens.demo")
class DemoData implements ApplicationRunner {
  private static final Logger LOG = LoggerFactory.getLogger(DemoData.class);
  private static final String NAME = "demo";
  private static final String PASSWORD = "tern-quay";

  private final AccountRepository accounts;
  private final ProductionRepository productions;
  private final ShotService shots;
  private final AssetRepository assets;
  private final RecordingRepository recordings;
  private final HandoffRepository handoffs;
  private final FileWriting writing;
  private final PasswordEncoder passwords;
  private final Transactions transactions;

  DemoData(
      AccountRepository accounts,
      ProductionRepository productions,
      ShotService shots,
      AssetRepository assets,
      RecordingRepository recordings,
      HandoffRepository handoffs,
      FileWriting writing,
      PasswordEncoder passwords,
      Transactions transactions) {
    this.accounts = accounts;
    this.productions = productions;
    this.shots = shots;
    this.assets = assets;
    this.recordings = recordings;
    this.handoffs = handoffs;
    this.writing = writing;
    this.passwords = passwords;
    this.transactions = transactions;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    if (accounts.isTaken(NAME)) {
      return;
    }
    transactions.write(this::addAll); // all or nothing, also if the start is interrupted
    LOG.info("The demo production Tern Quay is ready");
  }

  private void addAll() {
    long account = accounts.add(NAME, "Demo artist", passwords.encode(PASSWORD));
    long production = productions.add("Tern Quay", account);
    assets.put(production, GullPictures.octets());
    DemoRecordings.all().forEach((name, each) -> recordings.keep(production, name, each));
    for (Shot shot : DemoShots.all()) {
      long id = shots.add(production, shot);
      if (shot.header().name().equals(HandedOver.NAME)) {
        handOver(id, shot, account);
      }
    }
  }

  /** What came in for the shot of that name, and what went back. */
  private void handOver(long id, Shot shot, long account) {
    handoffs.addIn(id, 1, "usda", HandedOver.FILE, List.of(), Came.NOTHING, account);
    HandOff back =
        new HandOff(
            shot,
            shot.header().range(),
            List.of(HandedOver.CAMERA),
            HandOff.Company.CARRIERS,
            ReceiverProfile.Z_UP_CENTIMETRES);
    handoffs.addOut(id, 1, writing.scene(back, "usda").file(), account);
  }
}

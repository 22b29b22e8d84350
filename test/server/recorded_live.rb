# frozen_string_literal: true

require_relative '../server_helper'
require_relative '../../devices/flight_recorder'

# A flight of the sortie as the stand-in recorder sends it while it is flown, with a watcher.
module RecordedLive
  include ServerHelp

  PACE = 60.0

  def setup
    super
    as(@instructor)
    @queue = Fujin::LiveFeed.shared.watch(@sortie.id)
  end

  def teardown
    ENV.delete('FUJIN_RECORDER_PORT')
    @device&.stop
    Fujin::LiveFeed.shared.leave(@sortie.id, @queue)
    super
  end

  def recorder(**options)
    @device = Fujin::Devices::FlightRecorder.new(port: 0, **options)
    Thread.new { @device.run }
    ENV['FUJIN_RECORDER_PORT'] = @device.port.to_s
  end

  def record(id = SecureRandom.uuid)
    post_json "/api/sorties/#{@sortie.id}/recordings/live", { id: id, pace: PACE }
    id
  end

  def next_message
    loop { @queue.pop.then { |message| return message if message.is_a?(String) } }
  end
end

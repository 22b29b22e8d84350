# frozen_string_literal: true

require 'socket'

module Fujin
  module Devices
    # A device that answers on a port, a thread a caller. The class that includes it has #serve(client).
    module StandIn
      def initialize(port:, host: '127.0.0.1', clock: -> { Time.now.utc })
        @server = TCPServer.new(host, port)
        @clock = clock
      end

      def port = @server.addr[1]

      def run
        loop { Thread.new(@server.accept) { |client| serve(client) } }
      rescue IOError, Errno::EBADF
        # The listening socket was closed: the stand-in is being stopped.
        nil
      end

      def stop = @server.close
    end
  end
end

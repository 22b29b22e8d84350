# frozen_string_literal: true

require 'fileutils'
require_relative 'stand_in'

module Fujin
  module Devices
    # A stand-in for a mail server: takes letters by SMTP (RFC 5321) and puts each into a folder, as a file that any
    # mail program opens. It sends nothing on.
    class Mailbox
      include StandIn

      LONGEST_BYTES = 1024 * 1024
      REPLIES = { 'HELO' => '250 mailbox', 'EHLO' => '250 mailbox', 'MAIL' => '250 sender noted',
                  'RCPT' => '250 recipient noted', 'RSET' => '250 forgotten', 'NOOP' => '250 here' }.freeze

      # @param folder [String] where the letters go
      def self.open(folder:, **listen)
        FileUtils.mkdir_p(folder)
        new(**listen).tap { |box| box.instance_variable_set(:@folder, folder) }
      end

      private

      def serve(client)
        say(client, '220 mailbox of Fujin, a stand-in')
        while (line = client.gets(1024))
          verb = line.to_s[0, 4].upcase
          break say(client, '221 until next time') if verb == 'QUIT'

          verb == 'DATA' ? take(client) : say(client, REPLIES.fetch(verb, '502 not here'))
        end
      rescue Errno::EPIPE, Errno::ECONNRESET
        # The caller hung up.
        nil
      ensure
        client.close
      end

      def take(client)
        say(client, '354 go on, a lone full stop ends it')
        letter = +''
        while (line = client.gets("\r\n", 4096)) && line != ".\r\n"
          letter << line.delete_prefix('.') if letter.bytesize < LONGEST_BYTES
        end
        name = "#{@clock.call.strftime('%Y%m%d-%H%M%S-%6N')}.eml"
        File.write(File.join(@folder, name), letter, perm: 0o600)
        say(client, '250 in the box')
      end

      def say(client, text) = client.write("#{text}\r\n")
    end
  end
end

if $PROGRAM_NAME == __FILE__
  $stdout.sync = true
  box = Fujin::Devices::Mailbox.open(folder: ENV.fetch('FUJIN_MAIL_FOLDER', 'var/mail'),
                                     port: Integer(ENV.fetch('FUJIN_MAIL_PORT', '4814')))
  trap('TERM') { exit }
  trap('INT') { exit }
  puts "stand-in mailbox on 127.0.0.1:#{box.port}"
  box.run
end

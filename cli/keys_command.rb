# frozen_string_literal: true

require_relative '../server/running'

module Fujin
  module Commands
    # `keys`: the key that the school signs with, and the secret that seals it.
    class Keys < Command
      ACTS = { 'show' => :show, 'rotate' => :rotate, 'replace-lost' => :replace_lost, 'seal-anew' => :seal_anew }.freeze
      USAGE = <<~TEXT
        keys show                the school's public key, and where its chain ends
        keys rotate WHY          another key from now on; the old one signs the change
        keys replace-lost WHY    another key because the secret that sealed the old one is lost; the chain says so
        keys seal-anew           a new secret (var/secret) for the same key; stop and start Fujin after it
      TEXT

      def run
        act = ACTS.fetch(@options.rest.first || 'show') { raise CommandLine::Usage, "keys knows:\n#{USAGE}" }
        Running.connect
        send(act)
        0
      rescue Fujin::Conflict, Fujin::NotFound => e
        @err.puts "fujin: #{e.message}"
        1
      end

      private

      def key = SigningKey.new(Fujin::School.current)

      def why
        @options.rest.drop(1).join(' ').then do |text|
          raise CommandLine::Usage, "say why\n#{USAGE}" if text.strip.length < 3

          text
        end
      end

      def show
        anchor = Chain.anchor
        @out.puts "public key   #{Fujin::School.current.public_key}", "chain        #{anchor[:links]} links",
                  "the last     #{anchor[:latest_hash]}", *ChainReading.new.faults.map { |one| "BROKEN       #{one}" }
      end

      def rotate = @out.puts("The school signs with #{key.rotate(why: why)} from now on. Give it to whoever checks.")

      def replace_lost
        @out.puts "The school signs with #{key.replace_lost(why: why)} from now on. What was signed before stays " \
          'good; the change is vouched for by nobody: publish the new key.'
      end

      def seal_anew
        fresh = SecureRandom.hex(32)
        path = File.join(Running.var, 'secret')
        # Both lie on the disk before anything is sealed: a machine that stops in the middle loses neither.
        File.write("#{path}.old", Settings.secret, perm: 0o600)
        File.write("#{path}.new", fresh, perm: 0o600)
        key.seal_anew(Settings.secret, fresh)
        File.rename("#{path}.new", path)
        @out.puts "#{path} is new; the old one is beside it (secret.old). Stop Fujin and start it again: everybody " \
          'signs in anew, and authenticators stay.'
      end
    end
  end
end
